package com.shuttle.core.engine;

import com.shuttle.core.acts.Act;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.steps.Answering;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.listening.Clauses;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.listening.Weighing;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Questions of the visitor's own: what the knowledge says to a message or a clause of it. For one turn. */
final class Questions {

    private static final Pattern DENIES =
            Pattern.compile("^\\W*(?:no|nope|nah|not|without|nobody|no one)\\b(?!\\W*$)", Pattern.CASE_INSENSITIVE);

    private static final Pattern STATES = Pattern.compile(
            "^\\W*(?:(?:oh|ok|okay|hm+|well|so|sorry)\\W++)*+(?:no|not|just|only|nothing|without|i'?m|i am|we'?re|we are|it'?s|i can'?t|we can'?t|can'?t|as)\\b",
            Pattern.CASE_INSENSITIVE);

    /** A sentence that tells something, which no table is asked for: "the older one is 9". */
    private static final Pattern TELLS = Pattern.compile(
            "^\\W*(?:(?:the|my|our|this|that|one|he|she|it|we|they|i)\\b(?:[\\s'’]+\\p{L}+){0,3}?[\\s'’]+(?:is|are|was|were|am|s|re|m|d|will|would|wants?|needs?|turns?|has|have)\\b)",
            Pattern.CASE_INSENSITIVE);

    private final TurnRun run;
    private final Walker walker;
    private final Answering answering;

    Questions(Walker walker) {
        this.run = walker.run();
        this.walker = walker;
        this.answering = new Answering(walker);
    }

    /** What the conversation goes back to after an aside; null for nothing. */
    static @Nullable Awaiting beneath(@Nullable Awaiting awaiting) {
        return switch (awaiting) {
            case null -> null;
            case Awaiting.Suggestion suggestion -> suggestion.resumes();
            case Awaiting.Own own -> own;
            default -> awaiting.beneath();
        };
    }

    /** Whether the knowledge surely answers a message. */
    boolean known(String text) {
        return finding(text).outcome() == Finding.Outcome.ANSWER;
    }

    /** What only tells something is answered from this confidence on, where it says as much as a sentence. */
    private static final double SURE_OF_TOLD = 0.85;

    private static final int FEWEST_TOLD = 4;

    private Finding finding(String text) {
        return answering.ask(run.asked.then(text), List.of());
    }

    /** What is known of words that ask for nothing: what the conversation is about completes only what asks. */
    private Finding finding(String text, boolean asks) {
        return asks ? finding(text) : answering.asItStands(run.asked.then(text));
    }

    /**
     * The questions that stand beside something else in a message: those that are known, and where it is plain that something
     * of its own is asked, those that are not.
     *
     * @param taken    words that something else understood; a question that is nothing else is none
     * @param mayBlank whether what is not known is said to be so
     * @param acts     what the message does
     */
    List<Heard> beside(String text, List<Span> taken, boolean mayBlank, ClauseActs acts) {
        List<Heard> heard = new ArrayList<>();
        for (Clauses.Clause question : asked(text, acts)) {
            if (!Weighing.say(text, Span.minus(List.of(question.span()), taken))) {
                continue;
            }
            Finding finding = answering.ask(List.of(question.words()), List.of());
            Heard what = finding.outcome() == Finding.Outcome.ANSWER
                    ? Heard.of(new TalkMove.AnswerBeside(question.words(), finding), "", question.words())
                            .as(finding.confidence())
                    : mayBlank && question.marked() && asksOutright(question.words())
                            ? Heard.of(new TalkMove.NotKnownBeside(question.words(), finding), "", question.words())
                                    .as(Strengths.UNKNOWN)
                            : null;
            if (what != null) {
                heard.add(what.of(List.of(question.span())));
            }
        }
        return heard;
    }

    /** The questions of a message by their form, and the clauses that ask without it. */
    private static List<Clauses.Clause> asked(String text, ClauseActs acts) {
        List<Clauses.Clause> asked = new ArrayList<>(Clauses.questions(text));
        for (Span span : acts.those(Act.ASK)) {
            if (asked.stream().noneMatch(one -> one.span().overlaps(span))) {
                asked.add(Clauses.Clause.of(text, span));
            }
        }
        return asked;
    }

    /** Asks whether something is all right, which is answered by going on. */
    private static final Pattern SEEKS_CONSENT = Pattern.compile(
            "\\W*(?:(?:is|does|would|will|can|could|are|if)\\s+)+(?:that|this|it|you|we|i|these|those)\\b(?:[\\s'’]+(?:be|do|is|all|too|still|that|it|this|me|us|right|ok|okay|alright|fine|good|work|works|possible|enough|correct|late|early|soon|much|many|far|help|manage|please|with|for|by|then|now|you|us|note|change|hear|see|understand|tell|say|make|take|put|let|know))*+\\W*",
            Pattern.CASE_INSENSITIVE);

    private static boolean asksOutright(String question) {
        String words = question.substring(0, question.length() - 1);
        return Words.looksLikeQuestion(words)
                && !SEEKS_CONSENT.matcher(question).matches();
    }

    /**
     * A message as questions of the visitor's own; what was asked before is put again afterwards.
     *
     * @param pending what that is; null for nothing
     * @param told    where it tells what will be asked, as far as that is known; null where it tells nothing
     * @param leads   whether a phrase in it leads to a flow
     * @param goesOn  whether it asks the same as before of something else
     * @param acts    what it does
     */
    @Nullable
    Heard own(
            String text,
            @Nullable Awaiting pending,
            @Nullable List<Span> told,
            boolean leads,
            boolean goesOn,
            ClauseActs acts) {
        boolean asked = pending instanceof Awaiting.Reply || pending instanceof Awaiting.Facts;
        if (acts.surely(Act.GIVE) && (told != null || asked)) {
            // Something near is nearly always known; who only tells asks for none of it.
            return null;
        }
        Heard several = several(text, pending, acts);
        boolean asks = goesOn || Words.looksLikeQuestion(text) || acts.surely(Act.ASK) || acts.leads(Act.ASK);
        if (several == null && asked && !asks && acts.leads(Act.GIVE)) {
            // Whoever is asked for something and tells something asks for nothing, whatever is known of it.
            return null;
        }
        Heard heard = several != null ? several : single(text, pending, told, leads, asks, acts.mayAsk());
        if (heard == null || pending == null) {
            return heard;
        }
        return switch (heard.move()) {
            case TalkMove.Answer(String question, Finding finding, Awaiting before)
            when asksNothing(text, finding, asks, acts) -> null;
            case TalkMove.NotKnown unknown
            when pending instanceof Awaiting.Pick && acts.are(Kind.THIS_QUESTION, ClauseActs.LIKELY) ->
                Heard.of(new TalkMove.Explain(pending, text), "asks about the question", "asked again")
                        .as(Strengths.UNKNOWN);
            default -> heard;
        };
    }

    /**
     * Whether something is only near what is known: what is only polite asks nothing again, and of what is told a table has rows and
     * the knowledge something like it nearly always.
     */
    private static boolean asksNothing(String text, Finding finding, boolean asks, ClauseActs acts) {
        if (acts.leads(Act.SOCIAL)) {
            return !Words.looksLikeQuestion(text) && !finding.leant().isEmpty();
        }
        boolean told = Words.of(text).size() >= FEWEST_TOLD && finding.confidence() < SURE_OF_TOLD;
        return !asks && acts.leads(Act.GIVE) && (told || byTable(finding));
    }

    /** Questions in one message that are each surely known. */
    private @Nullable Heard several(String text, @Nullable Awaiting pending, ClauseActs acts) {
        List<Finding> known = asked(text, acts).stream()
                .map(question -> answering.ask(List.of(question.words()), List.of()))
                .filter(finding -> finding.outcome() == Finding.Outcome.ANSWER)
                .toList();
        return known.size() < 2 ? null : Heard.of(new TalkMove.AnswerAll(text, known, pending));
    }

    private @Nullable Heard single(
            String text,
            @Nullable Awaiting pending,
            @Nullable List<Span> told,
            boolean leads,
            boolean asks,
            boolean may) {
        boolean telling = told != null;
        if (told != null && !asks && !Weighing.say(text, Span.minus(Span.all(text), told))) {
            return null;
        }
        Finding finding = finding(text, asks);
        Finding.Outcome outcome = answering.outcome(finding);
        boolean byTable = byTable(finding);
        if (telling && !asks && finding.confidence() < SURE_OF_TOLD) {
            return null;
        }
        boolean placed = told != null && !told.isEmpty();
        if (telling && !asks && pending != null && (outcome != Finding.Outcome.ANSWER || byTable || !placed)) {
            return null;
        }
        return switch (outcome) {
            case ANSWER ->
                !asks
                                && (DENIES.matcher(text).find()
                                        || byTable && TELLS.matcher(text).find())
                        ? null
                        : Heard.of(new TalkMove.Answer(text, finding, pending), "", text)
                                .as(finding.confidence());
            case SUGGEST ->
                (asks || may && !(pending instanceof Awaiting.Reply) && mayAsk(text)) && !leads
                        ? Heard.of(new TalkMove.Suggest(text, finding, pending), "", text)
                                .as(Strengths.SUGGESTED)
                        : null;
            case NONE ->
                (asks || pending == null) && !leads
                        ? Heard.of(new TalkMove.NotKnown(text, finding, pending), "", text)
                                .as(Strengths.UNKNOWN)
                        : null;
        };
    }

    private static boolean byTable(Finding finding) {
        return !finding.matches().isEmpty() && finding.matches().getFirst().source() == Finding.Source.TABLE;
    }

    /** Whether words without a question's form may be one all the same: "parking", and not "no extras". */
    private static boolean mayAsk(String text) {
        return !Words.areNames(text) && !STATES.matcher(text).find();
    }

    void perform(TalkMove.OfKnowledge move) {
        switch (move) {
            case TalkMove.Answer(String question, Finding finding, Awaiting pending) ->
                answer(finding, question, pending);
            case TalkMove.AnswerAll(String question, List<Finding> findings, Awaiting pending) -> {
                run.await(pending);
                run.asked.add(question, "");
                findings.forEach(finding -> answering.say(finding, ""));
                walker.putAgain();
            }
            case TalkMove.Suggest(String question, Finding finding, Awaiting pending) -> {
                answering.remember(question, finding);
                answering.suggest(finding, question, pending);
            }
            case TalkMove.NotKnown(String question, Finding finding, Awaiting pending) ->
                unknown(finding, question, pending);
            case TalkMove.AnswerBeside(String question, Finding finding) -> {
                answering.remember(question, finding);
                answering.say(finding, "");
            }
            case TalkMove.NotKnownBeside(String question, Finding finding) -> {
                answering.remember(question, finding);
                answering.notFound(finding, question);
                run.say(Phrasebook.unknown(question));
            }
        }
    }

    private void answer(Finding finding, String text, @Nullable Awaiting pending) {
        run.await(pending);
        answering.remember(text, finding);
        answering.say(finding, "");
        if (!answering.leadsOn(finding.matches().getFirst())) {
            walker.putAgain();
        }
    }

    private void unknown(Finding finding, String text, @Nullable Awaiting pending) {
        run.asked.add(text, "");
        run.await(pending);
        answering.notFound(finding, text);
        run.responses.say(Occasion.NOT_FOUND);
        walker.putAgain();
    }
}
