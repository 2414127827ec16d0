package com.shuttle.studio;

import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class StudioPlaces {

    @Bean
    BotTab flowsTab() {
        return new BotTab("flows", "Flows", "", 20);
    }

    @Bean
    BotTab variablesTab() {
        return new BotTab("variables", "Variables", "/variables", 30);
    }
}
