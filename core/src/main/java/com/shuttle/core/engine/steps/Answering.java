package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Subject;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.knowledge.Entry.Beside;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Inquiry;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Answers questions of the visitor's from the knowledge, and says what is not known. For one turn. */
public final class Answering {

    /** The id of the offer that declines all suggestions; no ref is like it. */
    public static final String NONE_OF_THESE = "-";

    private static final int MOST_OFFERED = 3;

    private final Course course;
    private final TurnRun run;

    public Answering(Course course) {
        this.course = course;
        this.run = course.run();
    }

    public void notFound(Finding finding, String question) {
        run.trace(
                "not in the knowledge",
                finding.matches().isEmpty()
                        ? "nothing like it"
                        : "nearest “" + finding.matches().getFirst().title() + "”, confidence "
                                + rounded(finding.confidence()));
        run.gap(question);
    }

    /** Asks the knowledge, and the language model where one is connected; what that had to do with it is traced. */
    public Finding ask(List<String> turns, List<String> collections) {
        return seen(turns, run.ask(new Query.Ask(Subject.inquiry(run, turns), collections)));
    }

    /** The same of words that ask for nothing, so that nothing completes them but what was asked before. */
    public Finding asItStands(List<String> turns) {
        return seen(turns, run.ask(new Query.Ask(Inquiry.of(turns), List.of())));
    }

    private Finding seen(List<String> turns, Finding found) {
        Finding finding = run.opinions.of(turns.getLast(), found);
        if (!finding.note().isEmpty()) {
            run.trace("language model", finding.note());
        }
        return finding;
    }

    /** Keeps what was asked for what comes after to lean on; where it had to lean on something itself, it is about that. */
    public void remember(String question, Finding finding) {
        if (!finding.leant().isEmpty()) {
            run.trace("completed", "with “" + finding.leant() + "”");
        }
        run.asked.add(question, finding.leant());
    }

    /** What came of asking, as the bot is set: one that offers nothing does not know what it is not certain of. */
    public Finding.Outcome outcome(Finding finding) {
        boolean offers = run.responses.of(Occasion.RELATED).on();
        return finding.outcome() == Finding.Outcome.SUGGEST && !offers ? Finding.Outcome.NONE : finding.outcome();
    }

    /** Goes to the flow that an entry leads to, to come back here; false where it leads to none that this bot has. */
    public boolean leadsOn(Match match) {
        Place start = match.ties().flow().isEmpty()
                ? null
                : run.playbook.startOfNamed(match.ties().flow());
        Place here = run.at();
        if (start == null || here != null && here.flow().equals(start.flow())) {
            return false;
        }
        run.trace("entry leads on", "to " + run.playbook.nameOf(start.flow()));
        course.visit(start);
        return true;
    }

    /** Says all that a message asked for. @param lead said first; empty for the bot's own */
    public void say(Finding finding, String lead) {
        run.responses.say(Occasion.FOUND, lead);
        sayAnswer(finding.matches().getFirst());
        finding.also().forEach(this::sayAnswer);
    }

    public void sayAnswer(Match match) {
        run.trace(
                "answered from knowledge",
                "“" + match.title() + "”, confidence " + rounded(match.confidence()) + ", meaning "
                        + rounded(match.why().meaning()) + ", words "
                        + rounded(match.why().words()));
        run.answeredBy(match.ref());
        Beside beside = match.ties().beside();
        run.sayOneOf(List.of(match.answers().get(run.pick(match.answers().size()))), List.of(), look(beside));
        if (!beside.leadOn().isBlank()) {
            run.say(beside.leadOn());
        }
        run.responses.offerNext(beside.next());
    }

    private static Look look(Beside beside) {
        if (beside.shown().isEmpty()) {
            return Look.PLAIN;
        }
        Media.Type type = beside.film() ? Media.Type.VIDEO : Media.Type.PICTURE;
        return new Look(new Media(type, beside.shown(), beside.alt()), 0, null, false);
    }

    public void suggest(Finding finding, String question, @Nullable Awaiting resumes) {
        List<Offer> offers = new ArrayList<>();
        Set<String> titles = new HashSet<>();
        finding.matches().stream()
                .filter(match -> match.confidence() >= finding.confidence() / 3 && titles.add(match.title()))
                .limit(MOST_OFFERED)
                .forEach(match -> offers.add(new Offer(match.ref(), match.title())));
        offers.add(new Offer(NONE_OF_THESE, Phrasebook.NONE_OF_THESE));
        run.trace("suggests", "best confidence " + rounded(finding.confidence()));
        Place instead = run.responses.follows(run.responses.of(Occasion.RELATED));
        if (instead != null) {
            run.await(resumes);
            run.responses.say(Occasion.RELATED);
            course.visit(instead);
            return;
        }
        run.responses.say(Occasion.RELATED, "", offers);
        run.await(new Awaiting.Suggestion(offers, 0, question, resumes));
    }

    private static String rounded(double share) {
        return String.format(java.util.Locale.ROOT, "%.2f", share);
    }
}
