package com.shuttle;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The Shuttle server. Settings: {@code SHUTTLE_PORT}, {@code SHUTTLE_DATA}; see {@code ./shuttle help}. */
@SpringBootApplication
@ConfigurationPropertiesScan
@EnableScheduling
public class Shuttle {

    public static void main(String[] args) {
        try {
            Preflight.check(Preflight.port(), Preflight.data());
            Preflight.clearUnfinishedDemo(Preflight.data());
            // Goes before the environment's own SHUTTLE_DATA, which may be relative; the database takes no such path.
            System.setProperty("shuttle.data", Preflight.data().toString());
            SpringApplication.run(Shuttle.class, args);
        } catch (Preflight.Unfit unfit) {
            stop(String.valueOf(unfit.getMessage()));
        } catch (RuntimeException failure) {
            if (Preflight.isDatabaseInUse(failure)) {
                stop("The data in " + Preflight.data()
                        + " is in use by another running Shuttle. Stop that one, or choose another"
                        + " folder with --data.");
            }
            throw failure;
        }
    }

    private static void stop(String sentence) {
        System.err.println("shuttle: " + sentence);
        System.exit(1);
    }
}
