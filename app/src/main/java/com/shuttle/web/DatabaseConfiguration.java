package com.shuttle.web;

import javax.sql.DataSource;
import org.jooq.conf.RenderQuotedNames;
import org.springframework.boot.jooq.autoconfigure.DefaultConfigurationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.transaction.PlatformTransactionManager;

/**
 * How statements are written and commits are made to last. Names are unquoted, so that the same migrations serve databases
 * that fold case either way.
 */
@Configuration
class DatabaseConfiguration {

    @Bean
    DefaultConfigurationCustomizer unquotedNames() {
        return configuration -> configuration
                .settings()
                .withRenderQuotedNames(RenderQuotedNames.EXPLICIT_DEFAULT_UNQUOTED)
                .withExecuteLogging(false);
    }

    @Bean
    PlatformTransactionManager transactionManager(DataSource source) {
        return new GroupCommit(source);
    }
}
