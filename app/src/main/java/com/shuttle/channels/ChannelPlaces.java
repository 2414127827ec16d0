package com.shuttle.channels;

import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class ChannelPlaces {

    @Bean
    BotTab phonesTab() {
        return new BotTab("phones", "Phones", "/phones", 85);
    }
}
