package com.shuttle.chat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.tables.TableService;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What conversations write to tables. */
@Configuration
class TableDeeds {

    /** The turn was worked out while the row could be saved; where it no longer can, the turn is to be worked out anew. */
    @Bean
    DeedHandler<Deed.SaveRow> saving(TableService tables) {
        return DeedHandler.of(Deed.SaveRow.class, (conversation, row, at) -> {
            String why = tables.save(row);
            if (!why.isEmpty()) {
                throw new Overtaken(why);
            }
        });
    }
}
