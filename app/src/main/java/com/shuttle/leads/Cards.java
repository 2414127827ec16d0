package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Score;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.scoring.CardChange;
import com.shuttle.core.scoring.CardCheck;
import com.shuttle.core.scoring.Scored;
import com.shuttle.core.scoring.Scoring;
import com.shuttle.leads.ScoreStore.Given;
import com.shuttle.releases.ReleaseService;
import com.shuttle.scorecards.StoredCard;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What a drafted scorecard does: to those who were scored before, and to values that are tried out. Thread-safe. */
@Component
class Cards {

    /** So many of those scored last are scored again. */
    static final int LAST = 100;

    private final ScoreStore scores;
    private final BotService bots;
    private final ReleaseService releases;
    private final InstantSource clock;

    Cards(ScoreStore scores, BotService bots, ReleaseService releases, InstantSource clock) {
        this.scores = scores;
        this.bots = bots;
        this.releases = releases;
        this.clock = clock;
    }

    /** A bot that uses a card. @param live the card as it is released; null where the bot has none of it */
    record User(Bot bot, @Nullable Scorecard live) {

        /** How the bot stands to the card as it is drafted. */
        public String stands(Scorecard draft) {
            return live == null
                    ? "has not released it"
                    : live.equals(draft) ? "is live with it" : "is live with an earlier state";
        }
    }

    /** The bots whose drafts score with a card. */
    List<User> users(String card) {
        List<User> users = new ArrayList<>();
        for (Bot bot : bots.bots()) {
            boolean uses = bots.drafts(bot.id()).stream()
                    .flatMap(draft -> draft.flow().allSteps().stream())
                    .anyMatch(
                            step -> step instanceof Score score && score.card().equals(card));
            if (uses) {
                Scorecard live = releases.live(bot.id())
                        .map(id -> releases.playbook(id).scoring(card))
                        .map(Scoring::card)
                        .orElse(null);
                users.add(new User(bot, live));
            }
        }
        return users;
    }

    /** The variables that a card can be about: those of the bots that use it, or of its own bot, or of all. */
    Map<String, ValueType> variables(StoredCard stored, List<User> users) {
        Map<String, ValueType> variables = new TreeMap<>();
        List<Bot> of = users.stream().map(User::bot).toList();
        if (of.isEmpty()) {
            of = bots.bots().stream()
                    .filter(bot -> stored.bot().isEmpty() || bot.id().equals(stored.bot()))
                    .toList();
        }
        of.forEach(bot -> variables.putAll(new Playbook(bots.draftRelease(bot)).variables()));
        return variables;
    }

    List<CardCheck.Fault> faults(Scorecard card, Map<String, ValueType> variables) {
        return CardCheck.of(card, variables);
    }

    /** Those scored last with a card. */
    List<Given> last(String card) {
        return scores.last(card, LAST);
    }

    /** What the changed card does to those scored last, beside the card of today. */
    CardChange<Given> change(Scorecard today, Scorecard changed, List<Given> last, Map<String, ValueType> variables) {
        Expressions expressions = new Expressions(variables);
        return CardChange.between(
                Scoring.of(today),
                Scoring.of(changed),
                last,
                (given, criterion) -> value(criterion, given.known(), expressions));
    }

    /** What somebody who was scored gets by the card as it is drafted. */
    Optional<Scored> of(Scorecard card, String conversation, List<Given> last, Map<String, ValueType> variables) {
        Expressions expressions = new Expressions(variables);
        return last.stream()
                .filter(given -> given.conversation().equals(conversation))
                .findFirst()
                .or(() -> scores.of(conversation))
                .map(given -> Scoring.of(card).score(criterion -> value(criterion, given.known(), expressions)));
    }

    /** What values set by hand come to. @param written by variable, as people write them */
    Scored tried(Scorecard card, Map<String, String> written, Map<String, ValueType> variables) {
        Map<String, Value> known = new LinkedHashMap<>();
        Context context = new Context("GB", LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC));
        written.forEach((variable, text) -> {
            ValueType type =
                    variables.getOrDefault(variable, Expressions.SYSTEM.getOrDefault(variable, ValueType.TEXT));
            if (!text.isBlank()) {
                known.put(variable, read(type, text, context));
            }
        });
        Expressions expressions = new Expressions(variables);
        return Scoring.of(card).score(criterion -> value(criterion, known, expressions));
    }

    private static Value read(ValueType type, String text, Context context) {
        return switch (type) {
            case NUMBER, MONEY, DATE, TIME, DATE_TIME, YES_NO, RATING, SLIDER ->
                Reader.reply(type, text, context) instanceof Reading.Given given ? given.value() : new Value.Text(text);
            default -> new Value.Text(text);
        };
    }

    private static @Nullable Value value(Criterion criterion, Map<String, Value> known, Expressions expressions) {
        if (criterion.ofVariable() || criterion.about().isEmpty()) {
            return known.get(criterion.about());
        }
        return expressions.evaluate(criterion.about(), known, Expressions.Around.NOTHING)
                        instanceof Expressions.Result.Given(Value value)
                ? value
                : null;
    }
}
