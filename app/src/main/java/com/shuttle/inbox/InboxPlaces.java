package com.shuttle.inbox;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class InboxPlaces {

    @Bean
    Area inboxArea() {
        return new Area("inbox", "Inbox", "/inbox", 40, Access.Who.AGENT);
    }
}
