package com.shuttle.core.engine;

import com.shuttle.core.acts.Act;
import com.shuttle.core.acts.Cutting;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.acts.Situation;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.listening.Span;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What the clauses of one message do, as far as that was learnt. Where nothing is known of it, nothing is sure and everything is
 * let pass, so that whoever asks goes by what else there is.
 */
final class ClauseActs {

    /** From here on a clause is taken for what it is said to do. */
    static final double SURE = 0.8;

    /** For what cannot be undone, and what else was not understood at all. */
    static final double BEYOND_DOUBT = 0.9;

    private static final Set<String> THEMSELVES = Set.of("i", "we", "us", "me");

    /** Of a message of which nothing is known. */
    static final ClauseActs UNKNOWN = new ClauseActs(List.of());

    /** From here on it is likelier than all else together. */
    static final double EVEN = 0.5;

    /** From here on, where nothing else was understood. */
    static final double LIKELY = 0.6;

    /** Of an act's odds, what a kind needs to be meant. */
    private static final double MOSTLY = 0.7;

    private static final Cutting CUTTING = Cutting.shipped();

    private record Clause(Span span, String words, Odds odds) {}

    private final List<Clause> clauses;

    private ClauseActs(List<Clause> clauses) {
        this.clauses = List.copyOf(clauses);
    }

    static ClauseActs of(TurnRun run, Situation situation, String text) {
        List<Span> spans = CUTTING.cut(text);
        if (spans.isEmpty()) {
            return UNKNOWN;
        }
        List<String> words = spans.stream()
                .map(span -> text.substring(span.start(), span.end()))
                .toList();
        Odds[] odds = run.ask(new Query.Acts(words, situation, run.around().context()));
        List<Clause> clauses = new ArrayList<>();
        for (int i = 0; i < odds.length; i++) {
            clauses.add(new Clause(spans.get(i), words.get(i), odds[i]));
        }
        return new ClauseActs(clauses);
    }

    boolean known() {
        return !clauses.isEmpty();
    }

    /** Whether all that a message does beside being polite is surely this. */
    boolean surely(Act act) {
        return all(act, SURE);
    }

    private boolean all(Act act, double from) {
        List<Clause> matter = matter();
        return !matter.isEmpty()
                && matter.stream().allMatch(clause -> clause.odds().of(act) >= from);
    }

    /** Whether all that a message does beside being polite is of this kind, with these odds at least. */
    boolean are(Kind kind, double from) {
        List<Clause> matter = matter();
        return !matter.isEmpty()
                && matter.stream().allMatch(clause -> clause.odds().of(kind) >= from);
    }

    /** Whether all that a message does beside being polite is surely an act of this kind, and hardly another of its act. */
    boolean mean(Kind kind, double from) {
        return all(kind.act(), from) && are(kind, MOSTLY * from);
    }

    /** Whether it has a word that denies something. */
    boolean denies() {
        return clauses.stream().anyMatch(clause -> Implied.denies(clause.words()));
    }

    /** How likely some clause is of this kind. */
    double likeliest(Kind kind) {
        return clauses.stream()
                .mapToDouble(clause -> clause.odds().of(kind))
                .max()
                .orElse(0);
    }

    /** How likely some clause does this. */
    double likeliest(Act act) {
        return clauses.stream()
                .mapToDouble(clause -> clause.odds().of(act))
                .max()
                .orElse(0);
    }

    /** What a message does as a whole: the mean of its clauses beside those that are only polite, by their length. */
    Odds whole() {
        List<Clause> matter = matter();
        double length =
                matter.stream().mapToInt(clause -> clause.words().length()).sum();
        if (length == 0) {
            return Odds.UNKNOWN;
        }
        double[] mean = new double[Kind.values().length];
        for (Clause clause : matter) {
            for (Kind kind : Kind.values()) {
                mean[kind.ordinal()] += clause.odds().of(kind) * clause.words().length() / length;
            }
        }
        return new Odds(mean);
    }

    /** Whether a message as a whole does this rather than anything else, at even odds or better. */
    boolean leads(Act act) {
        return whole().of(act) >= EVEN;
    }

    /** Where its clauses stand. */
    List<Span> spans() {
        return clauses.stream().map(Clause::span).toList();
    }

    /** Less likely than this a message asks for nothing, and is offered no answers. */
    private static final double MAY_ASK = 0.3;

    /** Whether a message may ask or want something that the knowledge could tell. */
    boolean mayAsk() {
        Odds odds = whole();
        return !odds.known() || odds.of(Act.ASK) + odds.of(Act.REQUEST) >= MAY_ASK;
    }

    /** How likely words tell, mend or propose something; 0 where nothing is known. */
    double gives(List<Span> words) {
        Odds odds = at(words);
        return odds.of(Act.GIVE) + odds.of(Act.CORRECT) + odds.of(Kind.GOAL);
    }

    /** Whether a message surely asks about the matter, and is no mere politeness that sounds like it. */
    boolean asksSurelyOfTheMatter() {
        return whole().of(Kind.KNOWLEDGE) >= SURE;
    }

    /** Whether a message asks about the matter rather than about what is asked of it. */
    boolean asksOfTheMatter() {
        Odds odds = whole();
        return odds.of(Kind.KNOWLEDGE) > odds.of(Kind.THIS_QUESTION);
    }

    /** Stretches of a message that likely do this, each a clause. */
    List<Span> those(Act act) {
        return clauses.stream()
                .filter(clause -> clause.odds().of(act) >= LIKELY)
                .map(Clause::span)
                .toList();
    }

    /** The clauses that give something where another corrects something: each of the two is for somebody else. */
    List<Span> givenBesides() {
        return those(Act.CORRECT).isEmpty() ? List.of() : those(Act.GIVE);
    }

    /** The clauses that are about something; all of them where none is. */
    private List<Clause> matter() {
        List<Clause> matter = clauses.stream()
                .filter(clause -> clause.odds().act() != Act.SOCIAL)
                .toList();
        return matter.isEmpty() ? clauses : matter;
    }

    /** The likeliest kind of an act in all of a message. */
    Kind kind(Act act) {
        return clauses.stream()
                .map(Clause::odds)
                .max(Comparator.comparingDouble(odds -> odds.of(act)))
                .orElseThrow()
                .kind(act);
    }

    /** How likely the clause that most of some words stand in does this; 0 where nothing is known. */
    double of(Act act, List<Span> words) {
        return at(words).of(act);
    }

    /** Whether the clause that most of some words stand in surely does this. */
    boolean surely(Act act, List<Span> words) {
        return of(act, words) >= SURE;
    }

    /** Whether words may be taken for what somebody gives, where any words would fit: at even odds, or where nothing is known. */
    boolean mayGive(List<Span> words) {
        return !known() || of(Act.GIVE, words) >= EVEN;
    }

    /** Whether words have a question's form, and a message hardly mends or requests anything: "wait, is he too young for it". */
    boolean onlyWonders(String words) {
        return known() && Words.looksLikeQuestion(words) && likeliest(Act.CORRECT) + likeliest(Act.REQUEST) < MAY_ASK;
    }

    /** Whether a message as a whole tells something that is not what is asked. */
    boolean tell() {
        return whole().of(Kind.TELL) >= EVEN;
    }

    /** Whether words likely tell of something, whatever for: where somebody is to say something in their own words. */
    boolean tellsOf(List<Span> words) {
        Odds odds = at(words);
        return known() && odds.of(Act.GIVE) + odds.of(Act.MENTION) + odds.of(Kind.CHAT) >= LIKELY;
    }

    /** How likely a message changes something that was said before; -1 where nothing is known. */
    double correcting() {
        return known() ? likeliest(Act.CORRECT) : -1;
    }

    /** Whether the clause that most of some words stand in asks for something for whoever says it. */
    boolean areOfThemselves(List<Span> words) {
        Clause clause = clause(words);
        return clause != null
                && clause.odds().act() == Act.ASK
                && Words.of(clause.words()).stream().anyMatch(THEMSELVES::contains);
    }

    private Odds at(List<Span> words) {
        Clause clause = clause(words);
        return clause == null ? Odds.UNKNOWN : clause.odds();
    }

    private @Nullable Clause clause(List<Span> words) {
        Clause best = null;
        int most = 0;
        for (Clause clause : clauses) {
            int shared = words.stream()
                    .mapToInt(span -> Math.min(span.end(), clause.span().end())
                            - Math.max(span.start(), clause.span().start()))
                    .filter(length -> length > 0)
                    .sum();
            if (shared > most) {
                most = shared;
                best = clause;
            }
        }
        return best;
    }

    /** Tells of each clause what it does, and how surely. */
    void trace(TurnRun run) {
        for (Clause clause : clauses) {
            Act act = clause.odds().act();
            Kind kind = clause.odds().kind(act);
            run.trace(
                    "act",
                    String.format(
                            Locale.ROOT,
                            "“%s” %s (%.0f %%)",
                            clause.words(),
                            kind.label(),
                            100 * clause.odds().of(act)));
        }
    }
}
