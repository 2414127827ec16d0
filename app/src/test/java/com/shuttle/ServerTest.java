package com.shuttle;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.context.annotation.Import;
import org.springframework.test.context.TestConstructor;

/** A test with the whole server on a free port, its data in memory, and the demo in it. One server for all such tests. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@SpringBootTest(
        classes = Shuttle.class,
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            "shuttle.demo=true",
            "shuttle.demo.enquiries=24",
            "shuttle.data=target/test-data",
            "server.servlet.session.persistent=false",
            "spring.datasource.url=jdbc:h2:mem:shuttle;DB_CLOSE_DELAY=-1;LOCK_TIMEOUT=20000",
            "shuttle.limits.conversations-per-minute=100000",
            "shuttle.limits.messages-per-minute=100000",
            "shuttle.limits.reads-per-minute=1000000",
            "shuttle.limits.address-per-minute=1000000"
        })
@TestConstructor(autowireMode = TestConstructor.AutowireMode.ALL)
@Import({TestData.class, QuickPasswords.class})
public @interface ServerTest {}
