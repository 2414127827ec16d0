package com.shuttle;

import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.classes;
import static com.tngtech.archunit.lang.syntax.ArchRuleDefinition.noClasses;
import static com.tngtech.archunit.library.dependencies.SlicesRuleDefinition.slices;

import com.tngtech.archunit.base.DescribedPredicate;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.domain.JavaClasses;
import com.tngtech.archunit.core.importer.ImportOption;
import com.tngtech.archunit.core.importer.Location;
import com.tngtech.archunit.junit.AnalyzeClasses;
import com.tngtech.archunit.junit.ArchTest;
import com.tngtech.archunit.lang.ArchRule;
import java.util.List;

/** The rules of the architecture, see docs/architecture.md. */
@AnalyzeClasses(
        packages = "com.shuttle",
        importOptions = {ImportOption.DoNotIncludeTests.class, ArchitectureTest.NoTestJars.class})
class ArchitectureTest {

    /** The core's tests come as a jar where everything is packaged. */
    static final class NoTestJars implements ImportOption {
        @Override
        public boolean includes(Location location) {
            return !location.contains("-tests.jar");
        }
    }

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

    /** Packages of the application, lowest first: none knows one that stands after it. */
    private static final List<String> ORDER = List.of(
            "web",
            "settings",
            "model",
            "tables",
            "scorecards",
            "bots",
            "knowledge",
            "exchange",
            "releases",
            "chat",
            "panel",
            "channels",
            "services",
            "notices",
            "appointments",
            "leads",
            "followups",
            "inbox",
            "studio",
            "api",
            "demo");

    @ArchTest
    static void lowerPackagesKnowNoHigherOnes(JavaClasses all) {
        for (int i = 0; i < ORDER.size() - 1; i++) {
            String[] higher = ORDER.subList(i + 1, ORDER.size()).stream()
                    .map(name -> "com.shuttle." + name + "..")
                    .toArray(String[]::new);
            noClasses()
                    .that()
                    .resideInAPackage("com.shuttle." + ORDER.get(i) + "..")
                    .should()
                    .dependOnClassesThat()
                    .resideInAnyPackage(higher)
                    .check(all);
        }
    }

    @ArchTest
    static final ArchRule NO_CIRCLES_WITHIN_THE_ENGINE =
            slices().matching("com.shuttle.core.engine.(*)..").should().beFreeOfCycles();

    @ArchTest
    static final ArchRule THE_ENGINE_STANDS_ON_ITS_PARTS = noClasses()
            .that()
            .resideInAnyPackage("com.shuttle.core.engine.turn..", "com.shuttle.core.engine.steps..")
            .should()
            .dependOnClassesThat()
            .resideInAPackage("com.shuttle.core.engine");

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
