package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Mark;
import com.shuttle.marks.MarkService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Marking what a message of a rehearsal does. */
@RestController
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/rehearsal/marks")
class MarkingController {

    /** @param clause key of the clause in its rehearsal */
    record Marking(
            @Nullable String rehearsal,
            @Nullable Integer clause,
            @Nullable String kind) {}

    /** @param problem why it was not marked; empty if it was */
    record Answer(String problem, String does) {}

    private final BotService bots;
    private final Rehearsals rehearsals;
    private final MarkService marks;

    MarkingController(BotService bots, Rehearsals rehearsals, MarkService marks) {
        this.bots = bots;
        this.rehearsals = rehearsals;
        this.marks = marks;
    }

    @PostMapping
    ResponseEntity<Answer> mark(
            @PathVariable String id, @RequestBody Marking asked, @AuthenticationPrincipal SignedIn person) {
        Bot bot = bots.bot(id);
        Optional<Kind> kind = Optional.ofNullable(asked.kind()).flatMap(MarkService::kind);
        if (kind.isEmpty()) {
            return refused(422, "That is nothing that messages do.");
        }
        Optional<Outside.Clause> clause = asked.rehearsal() == null || asked.clause() == null
                ? Optional.empty()
                : rehearsals.clause(asked.rehearsal(), bot, asked.clause());
        if (clause.isEmpty()) {
            return refused(410, "This rehearsal is over. Start it again to go on.");
        }
        Mark mark = Mark.of(clause.get().words(), clause.get().situation(), kind.get());
        return switch (marks.put(bot.id(), mark, person.account().id())) {
            case Checked.Good<Mark> good ->
                ResponseEntity.ok(new Answer("", good.value().kind().label()));
            case Checked.Bad<Mark>(Map<String, String> errors) ->
                refused(422, errors.values().iterator().next());
        };
    }

    private static ResponseEntity<Answer> refused(int status, String problem) {
        return ResponseEntity.status(status).body(new Answer(problem, ""));
    }
}
