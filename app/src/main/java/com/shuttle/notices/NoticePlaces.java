package com.shuttle.notices;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class NoticePlaces {

    @Bean
    Area sentArea() {
        return new Area("sent", "Sent", "/sent", 45, Access.Who.DESIGNER);
    }
}
