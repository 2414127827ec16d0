package com.shuttle.bots;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class BotPlaces {

    @Bean
    Area botsArea() {
        return new Area("bots", "Bots", "/bots", 10, Access.Who.DESIGNER);
    }

    @Bean
    BotTab profileTab() {
        return new BotTab("profile", "Profile", "/profile", 10);
    }

    @Bean
    BotTab mannersTab() {
        return new BotTab("manners", "Manners", "/manners", 40);
    }
}
