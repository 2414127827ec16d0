package com.shuttle.notices;

import com.shuttle.chat.DeedHandler;
import com.shuttle.chat.Telling;
import com.shuttle.core.conversation.Deed;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What conversations have told outside. */
@Configuration
class NoticeDeeds {

    @Bean
    DeedHandler<Deed.Tell.Mail> mailing(NoticeService notices) {
        return DeedHandler.of(
                Deed.Tell.Mail.class, (conversation, mail, at) -> notices.tell(conversation.id(), mail, at));
    }

    @Bean
    DeedHandler<Deed.Tell.Callback> callingBack(NoticeService notices) {
        return DeedHandler.of(
                Deed.Tell.Callback.class, (conversation, one, at) -> notices.tell(conversation.id(), one, at));
    }

    @Bean
    Telling telling(NoticeService notices) {
        return notices::mayTell;
    }
}
