package com.shuttle.bots;

import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import java.time.InstantSource;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Notes that designers leave each other on steps. Thread-safe. */
@Service
public class NoteService {

    private final NoteStore store;
    private final BotService bots;
    private final InstantSource clock;

    NoteService(NoteStore store, BotService bots, InstantSource clock) {
        this.store = store;
        this.bots = bots;
        this.clock = clock;
    }

    /** Notes of a flow: open ones in the order they were written, then those settled. */
    public List<Note> notes(String bot, String flow) {
        return store.of(bot, flow);
    }

    @Transactional
    public Checked<String> add(String bot, String flow, String step, String text, @Nullable String account) {
        if (text.isBlank() || !Length.NOTE.holds(text)) {
            return Checked.bad("text", "A note has 1 to 4,000 characters.");
        }
        if (bots.draft(bot, flow).flow().findStep(step).isEmpty()) {
            return Checked.bad("text", "That step is no longer there.");
        }
        String id = Ids.next();
        store.insert(id, bot, flow, step, text.strip(), account, clock.instant());
        return Checked.good(id);
    }

    /** Settles a note, or opens it again. */
    @Transactional
    public void resolve(String bot, String note, boolean settled, @Nullable String account) {
        store.resolve(bot, note, settled ? account : null, settled ? clock.instant() : null);
    }
}
