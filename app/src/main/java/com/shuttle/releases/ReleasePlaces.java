package com.shuttle.releases;

import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class ReleasePlaces {

    @Bean
    BotTab releasesTab() {
        return new BotTab("releases", "Releases", "/releases", 90);
    }
}
