package com.shuttle;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;

/** The rules of the architecture, see docs/architecture.md. */
@AnalyzeClasses(packages = "com.shuttle", importOptions = ImportOption.DoNotIncludeTests.class)
class ArchitectureTest {

    @ArchTest
    static final ArchRule CORE_IS_PURE = noClasses()
            .that()
            .resideInAPackage("com.shuttle.core..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.springframework..", "jakarta..", "org.jooq..", "java.sql..", "javax.sql..")
            .orShould()
            .dependOnClassesThat(DescribedPredicate.describe(
                    "are Shuttle's but not of the core",
                    (JavaClass c) -> c.getPackageName().startsWith("com.shuttle")
                            && !c.getPackageName().startsWith("com.shuttle.core")));

    @ArchTest
    static final ArchRule CORE_HAS_NO_CLOCK = noClasses()
            .that()
            .resideInAPackage("com.shuttle.core..")
            .should()
            .callMethod(java.time.Instant.class, "now")
            .orShould()
            .callMethod(System.class, "currentTimeMillis")
            .orShould()
            .callMethod(java.time.ZoneId.class, "systemDefault")
            .orShould()
            .callMethod(Math.class, "random");

    @ArchTest
    static final ArchRule ONLY_STORES_SPEAK_JOOQ = noClasses()
            .that()
            .haveSimpleNameNotEndingWith("Store")
            .and()
            .resideOutsideOfPackages("com.shuttle.schema..")
            .and()
            .doNotHaveSimpleName("DatabaseConfiguration")
            .and(DescribedPredicate.describe(
                    "are not within a store", (JavaClass c) -> !c.getName().contains("Store$")))
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage("org.jooq..", "com.shuttle.schema..");

    @ArchTest
    static final ArchRule STORES_STAY_IN_THEIR_PACKAGE =
            classes().that().haveSimpleNameEndingWith("Store").should().bePackagePrivate();

    @ArchTest
    static final ArchRule CONTROLLERS_STAY_IN_THEIR_PACKAGE =
            classes().that().haveSimpleNameEndingWith("Controller").should().bePackagePrivate();

    @ArchTest
    static final ArchRule CONTROLLERS_KNOW_NO_STORES = noClasses()
            .that()
            .haveSimpleNameEndingWith("Controller")
            .should()
            .dependOnClassesThat()
            .haveSimpleNameEndingWith("Store");

    @ArchTest
    static final ArchRule NO_CIRCLES_IN_THE_APP =
            slices().matching("com.shuttle.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule NO_CIRCLES_IN_THE_CORE =
            slices().matching("com.shuttle.core.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule STAND_INS_KNOW_NOTHING_OF_SHUTTLE = noClasses()
            .that()
            .resideInAPackage("com.shuttle.standins..")
            .should()
            .dependOnClassesThat()
            .resideInAnyPackage(
                    "com.shuttle.core..", "com.shuttle.chat..", "com.shuttle.web..", "org.springframework..");
}
