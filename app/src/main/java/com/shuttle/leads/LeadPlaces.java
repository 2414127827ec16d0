package com.shuttle.leads;

import com.shuttle.bots.BotFigure;
import com.shuttle.releases.Outsider;
import com.shuttle.scorecards.Scorecards;
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

    @Bean
    BotFigure leadsToday(LeadService leads) {
        return new BotFigure("Leads today", "", 30, leads::since);
    }

    @Bean
    Outsider scorecardsOfReleases(Scorecards cards) {
        return new Outsider("scorecard", "scorecard", id -> cards.find(id).isPresent());
    }
}
