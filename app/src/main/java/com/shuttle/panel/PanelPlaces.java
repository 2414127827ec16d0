package com.shuttle.panel;

import com.shuttle.bots.OnSites;
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

    /** What the list of bots tells of websites. */
    @Bean
    OnSites onSites(Sites sites) {
        return bot -> sites.sites().stream().noneMatch(site -> site.bots().contains(bot))
                ? OnSites.State.NOWHERE
                : sites.presence(bot).on() ? OnSites.State.ON : OnSites.State.OFF;
    }

    @Bean
    BotTab shareTab() {
        return new BotTab("share", "Share", "/share", 80);
    }
}
