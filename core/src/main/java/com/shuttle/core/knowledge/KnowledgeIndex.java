package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Evidence.Kind;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.knowledge.Ranking.Scored;
import com.shuttle.core.reading.Places;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Finds the answer to a question in a fixed {@link Content}, by words and by meaning; the method is told in the package's
 * documentation.
 *
 * <p>Every stored text is compared with, first with rounded vectors to choose {@value #CANDIDATES} units, then exactly; so
 * nothing is missed by an approximate search. Immutable and thread-safe. Answering costs one embedding by each of the
 * three models, once more for each thing that a question leans on.
 */
public final class KnowledgeIndex {

    /** How many matches a finding lists at the most. */
    public static final int LISTED = 8;

    /** From this confidence on a table is taken to be what was asked. */
    private static final double SURE_TABLE = 0.5;

    /** Sentences of a passage that are about as near as its nearest belong to the answer. */
    private static final double ABOUT_AS_NEAR = 0.12;

    private static final int MOST_SENTENCES = 3;

    /** More questions than this in one message are not taken apart. */
    private static final int MOST_QUESTIONS = 4;

    private final Library library;
    private final List<Unit> units;
    private final Ranking ranking;
    private final Meaning meaning;
    private final Shelf shelf;
    private final WordCounts counts = new WordCounts();
    private final Synonyms synonyms;
    private final Spelling spelling;
    private final Calibration calibration;
    private final String tongue;

    /** Hears how far the reading of new texts has come. */
    @FunctionalInterface
    public interface Told {

        /** @param done so many of {@code of} have been read */
        void read(int done, int of);
    }

    /** @param meaning asked here for every text of the content, and later for every question */
    public KnowledgeIndex(Content content, Meaning meaning, Calibration calibration) {
        this(content, meaning, calibration, List.of(), (done, of) -> {});
    }

    /**
     * An index that takes over what earlier ones have worked out of the texts that it shares with them, so that a small change
     * of a large content costs little more than counting through it.
     *
     * @param meaning asked for the texts that none of {@code near} holds, and later for every question
     * @param told    before each entry or article that has to be read
     */
    public KnowledgeIndex(
            Content content, Meaning meaning, Calibration calibration, List<KnowledgeIndex> near, Told told) {
        this.calibration = calibration;
        this.meaning = meaning;
        library = new Library(
                content, meaning, near.stream().map(it -> it.library).toList(), told);
        List<Read> reads = library.reads();
        units = reads.stream().map(Read::unit).toList();
        shelf = new Shelf(content.articles(), units);
        reads.forEach(read -> counts.add(read.words()));
        synonyms = new Synonyms(content.synonyms(), counts, () -> units.stream().map(Unit::text));
        ranking = new Ranking(reads, synonyms, meaning);
        content.synonyms().forEach(group -> group.forEach(counts::add));
        spelling = new Spelling(counts);
        tongue = Tongue.of(units.stream().limit(100).map(Unit::text).collect(Collectors.joining("\n")));
    }

    /**
     * Answers a question, completed by whatever it leans on that answers it most surely.
     *
     * @param tables asked beside
     */
    public Finding ask(Inquiry inquiry, AskedTables tables) {
        List<Leaning> leanings = Leaning.of(inquiry, meaning);
        Finding whole = one(Words.readable(inquiry.question()), leanings, tables);
        return leanings.stream().anyMatch(Leaning::before) ? whole : severally(inquiry, whole, tables);
    }

    /** One question, completed where it leans on something. */
    private Finding one(String question, List<Leaning> leanings, AskedTables tables) {
        Finding alone = find(question, null, tables);
        return leanings.stream()
                .map(leaning -> completed(question, leaning, alone, tables).leaningOn(leaning.on(), alone))
                .max(Comparator.comparingDouble(Finding::confidence))
                .orElse(alone);
    }

    /** Asks the last of some questions in a conversation about nothing in particular. */
    public Finding ask(List<String> turns, AskedTables tables) {
        return ask(Inquiry.of(turns), tables);
    }

    private Finding completed(String question, Leaning leaning, Finding alone, AskedTables tables) {
        return sameTable(alone, leaning.on(), tables)
                .map(match -> new Finding(calibration.outcome(match.confidence()), match.confidence(), List.of(match)))
                .orElseGet(() -> find(question, leaning, tables));
    }

    /** What the table that was asked before says too: "and the cheapest?" is asked of what "the lightest?" was. */
    private static Optional<Match> sameTable(Finding found, String before, AskedTables tables) {
        return tables.ask(before, before)
                .max(Comparator.comparingDouble(Match::confidence))
                .filter(match -> match.confidence() >= SURE_TABLE)
                .flatMap(match -> TableMatch.table(match.ref()))
                .flatMap(table -> found.matches().stream()
                        .filter(match -> match.source() == Source.TABLE
                                && TableMatch.table(match.ref()).equals(Optional.of(table))
                                && match.confidence() >= SURE_TABLE)
                        .findFirst());
    }

    /** Asks where there are no tables. */
    public Finding ask(List<String> turns) {
        return ask(turns, AskedTables.NONE);
    }

    /** Where a message asks several things that are each answered by something else, all the answers. */
    private Finding severally(Inquiry inquiry, Finding whole, AskedTables tables) {
        List<String> questions = Passages.sentences(Words.readable(inquiry.question())).stream()
                .filter(Words::looksLikeQuestion)
                .toList();
        if (questions.size() < 2 || questions.size() > MOST_QUESTIONS) {
            return whole;
        }
        Map<String, Match> found = new LinkedHashMap<>();
        for (String question : questions) {
            Finding finding = one(question, Leaning.of(inquiry.only(question), meaning), tables);
            if (finding.outcome() == Outcome.ANSWER) {
                Match best = finding.matches().getFirst();
                found.putIfAbsent(best.ref() + best.title(), best);
            }
        }
        return found.size() < 2 ? whole : Finding.several(List.copyOf(found.values()), whole);
    }

    /** @param leaning what a question leans on; null for one that does not */
    private Finding find(String question, @Nullable Leaning leaning, AskedTables tables) {
        if (question.codePoints().noneMatch(Character::isLetterOrDigit)) {
            return Finding.NOTHING;
        }
        String both = leaning == null ? question : leaning.on() + " " + question;
        List<Match> ranked = Stream.concat(
                        units.isEmpty() ? Stream.of() : unitsFor(question, leaning, tables),
                        Stream.of(question, both)
                                .distinct()
                                .flatMap(asked -> tables.ask(asked, spelling.repaired(asked, tables.spelling()))))
                .sorted(Comparator.comparingDouble(Match::confidence).reversed().thenComparing(Match::ref))
                .limit(LISTED)
                .toList();
        if (ranked.isEmpty()) {
            return Finding.NOTHING;
        }
        double confidence = ranked.getFirst().confidence();
        return new Finding(calibration.outcome(confidence), confidence, ranked);
    }

    private Stream<Match> unitsFor(String question, @Nullable Leaning leaning, AskedTables tables) {
        Ranking.Asked asked = asked(question, tables.spelling());
        List<Scored> scored = scored(question, leaning, asked, tables.spelling());
        boolean readable = Tongue.of(question).equals(tongue);
        return scored.stream()
                .sorted(Comparator.comparingDouble(Scored::confidence)
                        .reversed()
                        .thenComparing(Scored::ref))
                .limit(LISTED)
                .map(one -> match(one, asked, readable ? 1 : calibration.suggestFrom() / 2));
    }

    /** Whether the content has this name, in lower case. */
    private boolean mentions(String name) {
        List<String> parts = Words.of(name);
        return parts.stream().allMatch(part -> counts.times(part) > 0)
                && (parts.size() == 1
                        || units.stream()
                                .anyMatch(unit ->
                                        unit.text().toLowerCase(Locale.ROOT).contains(name)));
    }

    private Ranking.Asked asked(String question, Spelling more) {
        return ranking
        .new Asked(question, Places.widened(synonyms.replaced(spelling.repaired(question, more)), this::mentions));
    }

    private List<Scored> scored(String question, @Nullable Leaning leaning, Ranking.Asked asked, Spelling spelled) {
        return leaning == null
                ? ranking.scored(asked)
                : ranking.scored(asked, asked(leaning.on() + " " + question, spelled), leaning.share());
    }

    /** For fitting: the candidates for a question, completed by the nearest thing that it leans on. */
    List<Scored> scored(Inquiry inquiry) {
        Leaning leaning = Leaning.of(inquiry, meaning).stream().findFirst().orElse(null);
        return scored(inquiry.question(), leaning, asked(inquiry.question(), Spelling.NONE), Spelling.NONE);
    }

    /**
     * What a stored wording finds when its own unit does not have it.
     *
     * @param title      of the best match
     * @param own        whether that is the wording's own unit
     * @param confidence of the best match
     */
    public record Landing(String wording, String title, boolean own, double confidence) {}

    /** Every phrasing of an entry beyond its first, held out one after the other. At most {@code most} of them. */
    public List<Landing> landings(int most) {
        List<Landing> landings = new ArrayList<>();
        for (int u = 0; u < units.size() && landings.size() < most; u++) {
            Unit unit = units.get(u);
            for (int w = 1;
                    unit.source() == Source.ENTRY && w < unit.wordings().size() && landings.size() < most;
                    w++) {
                landings.add(landing(u, w));
            }
        }
        return landings;
    }

    private Landing landing(int unit, int wording) {
        String text = units.get(unit).wordings().get(wording);
        Ranking.Asked asked = asked(text, Spelling.NONE);
        Evidence evidence = ranking.without(unit, wording, asked);
        double score = Calibration.score(evidence);
        Scored rival = ranking.scored(asked).stream()
                .filter(scored -> !scored.ref().equals(units.get(unit).ref()))
                .max(Comparator.comparingDouble(Scored::score))
                .orElse(null);
        if (rival == null || rival.score() <= score) {
            double least = ranking.leastRival(rival == null ? 1 : 2);
            double second = rival == null ? least : Math.max(least, rival.score());
            return new Landing(text, units.get(unit).title(), true, Calibration.confidence(evidence, second));
        }
        return new Landing(
                text, units.get(rival.unit()).title(), false, Calibration.confidence(rival.evidence(), score));
    }

    private Match match(Scored scored, Ranking.Asked asked, double factor) {
        Unit unit = units.get(scored.unit());
        Evidence evidence = scored.evidence();
        Why why = new Why(
                ranking.nearestWording(asked, scored.unit()),
                evidence.mean(Kind.COVERED),
                evidence.words(),
                ranking.sharedWords(asked, scored.unit()));
        List<String> said = unit.source() == Source.ENTRY
                ? unit.answers()
                : List.of(underItsHeading(unit, excerpt(scored.unit(), asked)));
        return new Match(
                unit.ref(),
                unit.source(),
                unit.title(),
                scored.confidence() * factor,
                said,
                why,
                unit.ties(),
                shelf.readOn(unit));
    }

    /** What stands behind the ref of an earlier match, as a match of confidence 1: an entry, a whole article, or what a table answers. */
    public Optional<Match> byRef(String ref, AskedTables tables) {
        return tables.byRef(ref).or(() -> shelf.byRef(ref));
    }

    /** A passage means what it says only below its heading: under "What we do not mend" a list of things is none to bring. */
    private static String underItsHeading(Unit passage, String sentences) {
        String heading = passage.heading();
        return heading.isEmpty() ? sentences : "**" + heading + "**\n\n" + sentences;
    }

    /** The sentences of a passage that a question is about, in their order, the nearest among them. */
    private String excerpt(int unit, Ranking.Asked asked) {
        List<String> all = units.get(unit).sentences();
        double[] near = ranking.sentences(asked, unit);
        double best = Arrays.stream(near).max().orElse(-1);
        double[] sorted = near.clone();
        Arrays.sort(sorted);
        double least = Math.max(best - ABOUT_AS_NEAR, sorted[Math.max(0, sorted.length - MOST_SENTENCES)]);
        return IntStream.range(0, near.length)
                .filter(i -> near[i] >= least)
                .mapToObj(all::get)
                .collect(Collectors.joining(" "));
    }
}
