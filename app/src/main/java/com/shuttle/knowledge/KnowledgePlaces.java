package com.shuttle.knowledge;

import com.shuttle.bots.BotFigure;
import com.shuttle.web.Access;
import com.shuttle.web.Area;
import com.shuttle.web.BotTab;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class KnowledgePlaces {

    @Bean
    Area knowledgeArea() {
        return new Area("knowledge", "Knowledge", "/knowledge", 20, Access.Who.DESIGNER);
    }

    @Bean
    BotTab knowledgeTab() {
        return new BotTab("knowledge", "Knowledge", "/knowledge", 50);
    }

    @Bean
    BotFigure openGaps(GapService gaps) {
        return new BotFigure("Open gaps", "/knowledge#gaps", 40, (bot, today) -> gaps.count(bot));
    }
}
