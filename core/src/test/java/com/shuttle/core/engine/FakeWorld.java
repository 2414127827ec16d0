package com.shuttle.core.engine;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.World;
import com.shuttle.core.knowledge.Entry.Beside;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.knowledge.Inquiry;
import com.shuttle.core.reading.Words;
import com.shuttle.core.table.RowsFound;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.BiFunction;
import java.util.function.Function;

/** A world for tests: known questions by a word they contain, and who is there. */
final class FakeWorld implements World {

    private final Map<String, Match> byWord = new LinkedHashMap<>();
    private final Map<String, Odds> doing = new LinkedHashMap<>();
    boolean anybody = true;

    /** What is found in tables. */
    Function<Query.Rows, RowsFound> rows = query -> RowsFound.NO_TABLE;

    /** Why rows cannot be saved. */
    Function<Query.MaySave, String> saving = query -> "";

    /** Why somebody cannot be told. */
    Function<Query.MayTell, String> telling = query -> "";

    Function<Query.Booked, BookingFound> booked = query -> BookingFound.NONE;
    Function<Query.Times, FreeTimes> times = query -> FreeTimes.GONE;

    /** What the visitor has booked. */
    final List<BookingFound> own = new ArrayList<>();

    /** All that was asked of the knowledge. */
    final List<Inquiry> inquiries = new ArrayList<>();

    /** How near texts are in meaning. */
    BiFunction<String, List<String>, double[]> closeness = FakeWorld::closeness;

    /** What clauses do; nothing is known of it. */
    Function<Query.Acts, Odds[]> acts = query -> new Odds[0];

    /** Whether what was held is held still. */
    boolean holding = true;

    /** Whether a language model is connected. */
    boolean consulting;

    /** Answers every question with {@code word} in it; below 0.55 it is only suggested. */
    FakeWorld knows(String word, String answer, double confidence) {
        byWord.put(
                word,
                new Match(
                        "e-" + word,
                        Source.ENTRY,
                        "About " + word,
                        confidence,
                        List.of(answer),
                        new Why(word, 1, 1, List.of(word))));
        return this;
    }

    /** Takes clauses with these words for doing this, with these odds; of others nothing is known but that they answer. */
    FakeWorld does(String words, Kind kind, double odds) {
        doing.put(words, odds(kind, odds));
        acts = asked -> asked.clauses().stream()
                .map(clause -> doing.entrySet().stream()
                        .filter(entry -> clause.contains(entry.getKey()))
                        .map(Map.Entry::getValue)
                        .findFirst()
                        .orElse(odds(Kind.ANSWER, 0.95)))
                .toArray(Odds[]::new);
        return this;
    }

    private static Odds odds(Kind kind, double odds) {
        double[] all = new double[Kind.values().length];
        Arrays.fill(all, (1 - odds) / (all.length - 1));
        all[kind.ordinal()] = odds;
        return new Odds(all);
    }

    /** Lets what it knows by a word bring something beside its answer. */
    FakeWorld beside(String word, Beside beside) {
        byWord.computeIfPresent(
                word,
                (one, match) -> new Match(
                        match.ref(),
                        match.source(),
                        match.title(),
                        match.confidence(),
                        match.answers(),
                        match.why(),
                        Ties.NONE.with(beside),
                        null));
        return this;
    }

    /** Answers as {@link #knows}, by an entry that leads to a flow. */
    FakeWorld knowsAndLeads(String word, String answer, String flow) {
        Why why = new Why(word, 1, 1, List.of(word));
        byWord.put(
                word,
                new Match(
                        "e-" + word,
                        Source.ENTRY,
                        "About " + word,
                        0.9,
                        List.of(answer),
                        why,
                        new Ties("", "", flow),
                        null));
        return this;
    }

    @Override
    public <R> R reply(Query<R> query) {
        return query.type()
                .cast(
                        switch (query) {
                            case Query.Ask ask -> ask(ask.inquiry());
                            case Query.Entry entry -> entry(entry.ref());
                            case Query.Closeness asked -> closeness.apply(asked.text(), asked.others());
                            case Query.Acts asked -> acts.apply(asked);
                            case Query.Staffed staffed -> anybody;
                            case Query.Open open ->
                                anybody
                                        ? open.teams().stream()
                                                .map(name -> name.toLowerCase(Locale.ROOT))
                                                .toArray(String[]::new)
                                        : new String[0];
                            case Query.MayTell tell -> telling.apply(tell);
                            case Query.Times times -> this.times.apply(times);
                            case Query.FirstFree first -> this.times.apply(new Query.Times(first.kind(), 1, ""));
                            case Query.Held held -> holding;
                            case Query.Booked booked -> this.booked.apply(booked);
                            case Query.OwnBookings ignored -> own.toArray(BookingFound[]::new);
                            case Query.Rows rows -> this.rows.apply(rows);
                            case Query.MaySave save -> saving.apply(save);
                            case Query.SignalAddress address -> "https://bots.example/signal/" + address.key();
                            case Query.Consults consults ->
                                consulting && consults.finding().outcome() != Outcome.NONE;
                        });
    }

    private Finding ask(Inquiry inquiry) {
        inquiries.add(inquiry);
        List<String> words = Words.of(inquiry.question());
        List<Match> matches = byWord.entrySet().stream()
                .filter(entry -> words.contains(entry.getKey()))
                .map(Map.Entry::getValue)
                .toList();
        if (matches.isEmpty()) {
            return Finding.NOTHING;
        }
        double best = matches.getFirst().confidence();
        return new Finding(best >= 0.55 ? Outcome.ANSWER : Outcome.SUGGEST, best, matches);
    }

    private Finding entry(String ref) {
        return byWord.values().stream()
                .filter(match -> match.ref().equals(ref))
                .findFirst()
                .map(match -> new Finding(Outcome.ANSWER, 1, List.of(match)))
                .orElse(Finding.NOTHING);
    }

    private static double[] closeness(String text, List<String> others) {
        return others.stream()
                .mapToDouble(other -> text.contains("stars") && other.contains("sky") ? 0.8 : 0.1)
                .toArray();
    }
}
