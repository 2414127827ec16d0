package com.shuttle.leads;

import com.shuttle.core.reading.Words;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Team;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.time.InstantSource;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is to be done about leads. Thread-safe. */
@Service
public class Tasks {

    private static final int LONGEST = 1000;

    private final TaskStore store;
    private final HistoryStore history;
    private final AccountService accounts;
    private final InstantSource clock;

    Tasks(TaskStore store, HistoryStore history, AccountService accounts, InstantSource clock) {
        this.store = store;
        this.history = history;
        this.accounts = accounts;
        this.clock = clock;
    }

    public List<LeadTask> of(String person) {
        return store.of(person);
    }

    /** The next open task of each of these people, by their ids. */
    Map<String, LeadTask> next(Collection<String> people) {
        return people.isEmpty() ? Map.of() : store.next(people);
    }

    /** @param wanted filtered by {@code whose} and {@code state} */
    public Page<LeadTask> list(Wanted wanted) {
        String whose = wanted.filter("whose");
        List<String> teams = accounts.teams().stream()
                .filter(team -> team.members().stream().map(Account::id).anyMatch(whose::equals))
                .map(Team::id)
                .toList();
        return store.list(wanted, teams);
    }

    /** Adds a task. @param by who does; empty for the application */
    @Transactional
    public Checked<LeadTask> add(
            String person, String words, @Nullable Instant dueAt, String account, String team, String by) {
        String bare = Words.clean(words).strip();
        if (bare.isEmpty() || bare.length() > LONGEST) {
            return Checked.bad("words", "Please say what is to be done, in up to " + LONGEST + " characters.");
        }
        Instant now = clock.instant();
        LeadTask task = new LeadTask(Ids.next(), person, "", bare, dueAt, account, team, now, null);
        store.insert(task);
        note(person, "to do: " + bare, by, now);
        return Checked.good(task);
    }

    /** Marks a task done, or open again. @throws Missing if there is no such task */
    @Transactional
    public LeadTask mark(String id, boolean done, String by) {
        Instant now = clock.instant();
        LeadTask task = store.find(id).orElseThrow(() -> new Missing("task", id));
        if (store.done(id, done ? now : null)) {
            note(task.person(), (done ? "did: " : "took up again: ") + task.words(), by, now);
        }
        return task;
    }

    private void note(String person, String words, String by, Instant at) {
        history.happened(new PersonEvent(Ids.next(), person, PersonEvent.Kind.TASK, words, by, "", null, at));
    }
}
