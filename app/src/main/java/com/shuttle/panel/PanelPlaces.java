package com.shuttle.panel;

import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class PanelPlaces {

    @Bean
    BotTab cuesTab() {
        return new BotTab("cues", "Cues", "/cues", 70);
    }

    @Bean
    BotTab shareTab() {
        return new BotTab("share", "Share", "/share", 80);
    }
}
