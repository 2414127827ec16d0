package com.shuttle.api;

import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The head of the interface's description. */
@Configuration
class OpenApi {

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info()
                        .title("Shuttle")
                        .version("v1")
                        .description("Programs use a bearer token made in the settings. Talking to a bot needs none: a"
                                + " conversation is opened by the token that its beginning returns. Errors are problem"
                                + " details as in RFC 9457."))
                .addSecurityItem(new SecurityRequirement().addList("token"))
                .components(new Components()
                        .addSecuritySchemes(
                                "token",
                                new SecurityScheme()
                                        .type(SecurityScheme.Type.HTTP)
                                        .scheme("bearer")));
    }
}
