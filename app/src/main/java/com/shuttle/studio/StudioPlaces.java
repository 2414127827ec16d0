package com.shuttle.studio;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class StudioPlaces {

    @Bean
    Area botsArea() {
        return new Area("bots", "Bots", "/bots", 10, Access.Who.DESIGNER);
    }

    @Bean
    BotTab profileTab() {
        return new BotTab("profile", "Profile", "/profile", 10);
    }

    @Bean
    BotTab flowsTab() {
        return new BotTab("flows", "Flows", "", 20);
    }

    @Bean
    BotTab variablesTab() {
        return new BotTab("variables", "Variables", "/variables", 30);
    }

    @Bean
    BotTab responsesTab() {
        return new BotTab("responses", "Responses", "/responses", 40);
    }

    @Bean
    BotTab knowledgeTab() {
        return new BotTab("knowledge", "Knowledge", "/knowledge", 50);
    }

    @Bean
    BotTab releasesTab() {
        return new BotTab("releases", "Releases", "/releases", 90);
    }
}
