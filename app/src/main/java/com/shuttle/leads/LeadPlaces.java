package com.shuttle.leads;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class LeadPlaces {

    @Bean
    Area leadsArea() {
        return new Area("leads", "Leads", "/leads", 30, Access.Who.AGENT);
    }
}
