package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.steps.Answering;
import com.shuttle.core.engine.steps.OwnBookingPlayer;
import com.shuttle.core.engine.steps.Players;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Subject;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.listening.BookingRequest;
import com.shuttle.core.listening.Moods;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Standing requests: what they are in a message, and what is done for them, also while the visitor waits for a person. */
final class Requests {

    /** In answer to what was read back this says that it is right, not that the conversation is over. */
    private static final Finder THATS_ALL =
            Finder.of("\\b(?:that'?s|that is) (?:all|it|everything)\\b|\\bthat(?:'ll| will) be all\\b|\\bno more\\b");

    private static final Pattern CLAUSES = Pattern.compile("[.,;!?]\\s*");

    private final TurnRun run;
    private final Walker walker;

    Requests(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
    }

    @Nullable
    Heard standing(String text) {
        Standing request = Standing.of(text, run.playbook.release().standing());
        boolean complete = request == Standing.STOP && (wantsAgreement() || many()) && THATS_ALL.in(text);
        Standing.Within within = request == null || request == Standing.PERSON || request == Standing.EMERGENCY
                ? Standing.inClause(text)
                : null;
        Standing asked = request == null && within != null ? within.request() : request;
        if (complete
                || asked == null
                || !Standing.isOn(asked, run.playbook.release().standing())) {
            return null;
        }
        Heard heard = Heard.of(new TalkMove.Grant(asked), "standing request", asked.label());
        return within == null
                ? heard.as(Strengths.WHOLE_REQUEST)
                : heard.of(within.clause().start(), within.clause().end());
    }

    /** A request that is meant, in whatever words; null where the bot does not hear it. */
    @Nullable
    Heard meant(Standing request) {
        return Standing.isOn(request, run.playbook.release().standing())
                ? Heard.of(new TalkMove.Grant(request), "standing request", request.label())
                : null;
    }

    /** Whether something was read back, so that "that's it" says that it is right. */
    private boolean wantsAgreement() {
        return run.awaiting() instanceof Awaiting.Facts || run.awaiting() instanceof Awaiting.Confirm;
    }

    /** Whether several options may be picked now, so that "that's all" ends the picking and not the conversation. */
    private boolean many() {
        return run.awaiting() instanceof Awaiting.Pick
                && run.playbook.step(run.at()) instanceof Choice choice
                && choice.many();
    }

    /** Who asks to be rung up, where no flow does that, gets a person. */
    @Nullable
    Heard call(String text) {
        return Standing.wantsCall(text)
                        && Standing.isOn(Standing.PERSON, run.playbook.release().standing())
                ? Heard.of(new TalkMove.Grant(Standing.PERSON), "standing request", "to be rung up")
                        .as(Strengths.CALL)
                : null;
    }

    void perform(TalkMove.OfRequest move) {
        switch (move) {
            case TalkMove.Grant(Standing request) -> grant(request);
            case TalkMove.TellNoted() -> new Recap(run, walker).say();
            case TalkMove.AskWhatToMend() -> new Recap(run, walker).askWhatToMend();
            case TalkMove.SeeToBooking(BookingRequest wants, String said) ->
                OwnBookingPlayer.begin(wants, said, walker);
            case TalkMove.Visit(Place flow) -> walker.visit(flow);
        }
    }

    private void grant(Standing request) {
        switch (request) {
            case PERSON -> {
                if (!walker.requestPerson()) {
                    walker.putAgain();
                }
            }
            case EMERGENCY -> {
                run.responses.say(Occasion.EMERGENCY);
                grant(Standing.PERSON);
            }
            case START_AGAIN -> walker.startAgain();
            case MENU -> {
                run.forgetPlaces();
                Place menu =
                        run.playbook.first(Choice.class, run.playbook.release().mainFlow());
                run.stand(menu != null ? menu : run.playbook.start());
            }
            case STOP -> {
                run.say(Phrasebook.ENDED);
                run.pass(Speaker.ENDED);
            }
            case BACK -> {
                Place before = run.takeAnswered();
                if (before == null) {
                    run.say(Phrasebook.NOTHING_BEFORE);
                    walker.putAgain();
                } else {
                    Players.of(run.playbook.step(before), walker).forget();
                    run.stand(before);
                }
            }
        }
    }

    /** While the visitor waits for a person only some requests are heard; what else is said is for the person. */
    void leavesQueue(String text) {
        switch (leaving(text)) {
            case MENU -> leave(Standing.MENU);
            case START_AGAIN -> leave(Standing.START_AGAIN);
            case STOP -> leave(Standing.STOP);
            case BACK -> {
                run.pass(Speaker.BOT);
                run.trace("standing request", "back to the bot");
                run.stand(null);
                run.say(Phrasebook.STILL_HERE);
            }
            case PERSON -> run.say(Phrasebook.ON_THEIR_WAY);
            case EMERGENCY -> run.responses.say(Occasion.EMERGENCY);
            case null -> whileWaiting(text);
        }
    }

    private void leave(Standing request) {
        run.pass(Speaker.BOT);
        run.trace("standing request", request.label());
        grant(request);
    }

    /** The request of somebody who waits, by itself or in a clause ("forget it, back"); null for none. */
    private @Nullable Standing leaving(String text) {
        Standing whole = Standing.of(text, run.playbook.release().standing());
        if (whole != null) {
            return whole;
        }
        return Moods.wantsOut(text)
                ? Standing.BACK
                : Stream.of(CLAUSES.split(text))
                        .map(clause ->
                                Standing.of(clause, run.playbook.release().standing()))
                        .filter(request ->
                                request != null && request != Standing.PERSON && request != Standing.EMERGENCY)
                        .findFirst()
                        .orElse(null);
    }

    /** The question in a message, which may stand after something else: "never mind, when do you close today". */
    private static Optional<String> asked(String text) {
        return Words.looksLikeQuestion(text)
                ? Optional.of(text)
                : Stream.of(CLAUSES.split(text))
                        .filter(Words::looksLikeQuestion)
                        .findFirst();
    }

    /** Who waits asks how long, or whether anybody is there. */
    private static final Pattern ASKS_WHEN = Pattern.compile(
            "\\W*(?:(?:and|so|ok|okay|sorry|but|well)\\W+)*(?:how (?:long|much longer)(?: (?:now|more|(?:will|does|would|might) (?:it|that|this|they|you|he|she)(?: (?:take|be))?|is the (?:wait|queue)|(?:do|must) (?:i|we) (?:have to )?wait|(?:until|till)\\b.{0,40}))?"
                    + "|(?:(?:is|are) )?(?:there )?(?:any|some|no)(?: ?body| ?one)(?: (?:there|here|coming|free|around|at all|yet))*|(?:hello|hi|hey)(?: (?:there|anyone|anybody))?|(?:are )?(?:you|we) (?:still )?(?:there|here)"
                    + "|still (?:there|waiting|here)|i'?m (?:still )?waiting|what(?:'s| is) (?:taking (?:so )?long|going on|happening)|where (?:are you(?: all| guys)?|is (?:everyone|everybody|he|she)))\\W*",
            Pattern.CASE_INSENSITIVE);

    /** Who waits is never met with silence: a question that is surely known is answered, all else is passed on. */
    private void whileWaiting(String text) {
        String read = Words.readable(text);
        if (ASKS_WHEN.matcher(read.replace('’', '\'')).matches()) {
            run.say(Phrasebook.ON_THEIR_WAY);
            return;
        }
        Finding finding = asked(read)
                .map(question -> run.ask(new Query.Ask(Subject.inquiry(run, run.asked.then(question)), List.of())))
                .orElse(Finding.NOTHING);
        if (finding.outcome() == Finding.Outcome.ANSWER) {
            run.asked.add(read, "");
            new Answering(walker).say(finding, "");
        } else {
            run.trace("waits for a person", "passed on");
            run.say(Phrasebook.PASSED_ON);
        }
    }
}
