package com.shuttle;

import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;

/** Passwords are hashed as quickly as can be: tests sign in hundreds of times, and nobody steals their hashes. */
@TestConfiguration(proxyBeanMethods = false)
class QuickPasswords {

    private static final int LEAST_ROUNDS = 4;

    @Bean
    @Primary
    PasswordEncoder quickEncoder() {
        return new BCryptPasswordEncoder(LEAST_ROUNDS);
    }
}
