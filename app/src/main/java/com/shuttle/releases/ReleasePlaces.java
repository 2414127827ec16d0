package com.shuttle.releases;

import com.shuttle.settings.AccountService;
import com.shuttle.tables.TableService;
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

    @Bean
    Outsider teams(AccountService accounts) {
        return new Outsider(
                "team",
                "team",
                id -> accounts.teams().stream().anyMatch(team -> team.id().equals(id)));
    }

    @Bean
    Outsider tables(TableService tables) {
        return new Outsider("table", "table", tables::exists);
    }
}
