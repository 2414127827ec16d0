package com.shuttle.chat;

import com.shuttle.bots.BotFigure;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What this package shows on other packages' pages. */
@Configuration
class ChatPlaces {

    @Bean
    BotFigure conversationsToday(ConversationStore conversations) {
        return new BotFigure("Conversations today", "", 10, conversations::startedSince);
    }

    @Bean
    BotFigure askedForAPerson(ConversationStore conversations) {
        return new BotFigure("Asked for a person", "", 20, conversations::handedOffSince);
    }
}
