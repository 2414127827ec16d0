package com.shuttle.web;

import org.jooq.conf.RenderQuotedNames;
import org.springframework.boot.jooq.autoconfigure.DefaultConfigurationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How statements are written: names unquoted, so that the same migrations serve databases that fold case either way. */
@Configuration
class DatabaseConfiguration {

    @Bean
    DefaultConfigurationCustomizer unquotedNames() {
        return configuration -> configuration
                .settings()
                .withRenderQuotedNames(RenderQuotedNames.EXPLICIT_DEFAULT_UNQUOTED)
                .withExecuteLogging(false);
    }
}
