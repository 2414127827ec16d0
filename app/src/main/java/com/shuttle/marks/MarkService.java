package com.shuttle.marks;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Mark;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What designers said of messages to their bots. Thread-safe. */
@Service
public class MarkService {

    /** More than these are not compared with every message. */
    static final int MOST = 500;

    private final MarkStore store;
    private final InstantSource clock;

    MarkService(MarkStore store, InstantSource clock) {
        this.store = store;
        this.clock = clock;
    }

    /** All of a bot, the oldest first. */
    public List<Mark> of(String bot) {
        return store.of(bot);
    }

    Page<Marked> page(String bot, Wanted wanted) {
        return store.page(bot, wanted);
    }

    /**
     * Keeps what a clause does; another mark of the same words where the same is waited for gives way.
     *
     * @return the mark, or why it was refused
     */
    @Transactional
    public Checked<Mark> put(String bot, Mark mark, @Nullable String account) {
        if (Words.clean(mark.clause()).isBlank() || mark.clause().length() > Words.LONGEST_MESSAGE) {
            return Checked.bad("clause", "A message has 1 to " + Words.LONGEST_MESSAGE + " readable characters.");
        }
        if (store.count(bot) >= MOST) {
            return Checked.bad("clause", "A bot keeps " + MOST + " marks at most. Take some away first.");
        }
        store.put(Ids.next(), bot, mark, account, clock.instant());
        return Checked.good(mark);
    }

    /** Another bot gets the same. */
    @Transactional
    public void copy(String from, String to, @Nullable String account) {
        store.of(from).forEach(mark -> store.put(Ids.next(), to, mark, account, clock.instant()));
    }

    /** Takes a mark away; gives it back, so that it can be put again. Empty if it was gone. */
    @Transactional
    public Optional<Mark> takeAway(String bot, String id) {
        Optional<Marked> found = store.find(bot, id);
        store.delete(bot, id);
        return found.map(Marked::mark);
    }

    /** The kind of a name, as it is kept; empty for none. */
    public static Optional<Kind> kind(String key) {
        return Arrays.stream(Kind.values())
                .filter(kind -> kind.key().equals(key))
                .findFirst();
    }
}
