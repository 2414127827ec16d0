package com.shuttle.chat;

import com.shuttle.core.conversation.Deed.SaveRow;
import com.shuttle.tables.PersonalCells;
import com.shuttle.tables.TableService;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;

/** What conversations write to tables. */
@Component
class TableDeeds implements DeedHandler<SaveRow>, Forgets {

    private final TableService tables;
    private final PersonalCells personal;

    TableDeeds(TableService tables, PersonalCells personal) {
        this.tables = tables;
        this.personal = personal;
    }

    @Override
    public Class<SaveRow> type() {
        return SaveRow.class;
    }

    @Override
    public void forget(Conversation conversation) {
        personal.forget(conversation.id());
    }

    @Override
    public void prepare(List<SaveRow> rows) {
        tables.lock(rows);
    }

    /** The turn was worked out while the row could be saved; where it no longer can, the turn is to be worked out anew. */
    @Override
    public void carryOut(Conversation conversation, SaveRow row, Instant at) {
        String why = tables.save(row, conversation.id());
        if (!why.isEmpty()) {
            throw new Overtaken(why);
        }
    }
}
