package com.shuttle.core.engine;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.engine.steps.Answering;
import com.shuttle.core.engine.steps.Asking;
import com.shuttle.core.engine.steps.Player;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.listening.Moods;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Takes typed text while the bot speaks. Each source says what it understood of it and changes nothing; the first in this
 * order that understood anything is done, and the trace names it: an offered option by its label; standing requests; a step
 * that hears changes to what it asks; corrections; the step's pending question; what says only that the visitor wants out,
 * does not know, or is angry; a bare value, which is never a question; questions of the visitor's own; a phrase that leads
 * to another flow; something that will be asked later. Otherwise it was not understood. What else the message
 * gives away is kept whichever source takes it.
 */
final class Listener {

    /** Words that only say yes or no, and to what is not told. */
    private static final Pattern PLAIN =
            Pattern.compile("[\\W_]*+(?:(?:yes|yep|yeah|no|nope|nah|okay|ok|sure)[\\W_]*+)?", Pattern.CASE_INSENSITIVE);

    private final TurnRun run;
    private final Walker walker;
    private final Repairs repairs;
    private final Asking asking;
    private final Answering answering;

    Listener(TurnRun run, Walker walker) {
        this.run = run;
        this.walker = walker;
        this.repairs = new Repairs(run, walker);
        this.asking = new Asking(run);
        this.answering = new Answering(walker);
    }

    void take(String text) {
        Heard offered = offeredByName(Words.readable(text));
        if (offered == null && run.awaiting() instanceof Awaiting.Next) {
            run.await(null);
        }
        Heard heard = offered != null ? offered : heard(text);
        if (!heard.rule().isEmpty()) {
            run.trace(heard.rule(), heard.detail());
        }
        heard.act().run();
    }

    /** A step may keep the whole text as its answer; all else looks at what is readable of it. */
    private Heard heard(String text) {
        String read = Words.readable(text);
        return Stream.<Supplier<@Nullable Heard>>of(
                        () -> repairs.standingRequest(read),
                        () -> stepThatHearsChanges(text),
                        () -> aside() ? null : repairs.change(read),
                        () -> freeButAsking(read),
                        () -> pending(text),
                        () -> aside() ? repairs.change(read) : null,
                        () -> wayOut(read),
                        () -> unsure(read),
                        () -> value(read),
                        () -> anger(read),
                        () -> severalQuestions(read),
                        () -> sideQuestion(read),
                        () -> phrase(read),
                        () -> somethingElse(read))
                .map(Supplier::get)
                .filter(Objects::nonNull)
                .findFirst()
                .orElseGet(() -> Heard.of(() -> {
                    run.await(beneath());
                    repairs.notUnderstood(read);
                }));
    }

    /** Whether what is awaited hears "no, …" itself: a reading to confirm or choose, a suggestion. */
    private boolean aside() {
        return switch (run.awaiting()) {
            case Awaiting.Confirm ignored -> true;
            case Awaiting.Which ignored -> true;
            case Awaiting.Suggestion ignored -> true;
            case null, default -> false;
        };
    }

    /** What is awaited beneath a choice that was only offered aside. */
    private @Nullable Awaiting beneath() {
        return switch (run.awaiting()) {
            case Awaiting.Suggestion suggestion -> suggestion.resumes();
            case null -> null;
            case Awaiting awaiting -> awaiting.beneath();
        };
    }

    /** An option's own label goes before everything, lest an option "Stop" could not be typed. */
    private @Nullable Heard offeredByName(String text) {
        Awaiting awaiting = run.awaiting();
        String normal = Words.normal(text);
        if (awaiting == null || normal.isEmpty()) {
            return null;
        }
        for (Offer offer : awaiting.offers()) {
            if (offer.link().isBlank() && Words.normal(offer.label()).equals(normal)) {
                return new Heard(
                        "answer to the choice",
                        "“" + offer.label() + "” by its label",
                        () -> new Picks(walker).pick(List.of(offer.id())));
            }
        }
        return null;
    }

    private @Nullable Heard stepThatHearsChanges(String text) {
        Awaiting awaiting = run.awaiting();
        Player player = walker.player();
        return awaiting == null || !player.hearsChanges() || answeredThoughFree(text)
                ? null
                : player.hear(awaiting, text);
    }

    /** Any words are an answer to a free question, but a question that the knowledge answers is one of the visitor's own. */
    private boolean answeredThoughFree(String text) {
        return free() && Words.looksLikeQuestion(text) && finding(text).outcome() == Finding.Outcome.ANSWER;
    }

    private boolean free() {
        Awaiting awaiting = run.awaiting();
        return awaiting != null && awaiting.type() != null && awaiting.type().free();
    }

    private @Nullable Heard freeButAsking(String text) {
        return run.awaiting() instanceof Awaiting.Reply && free() && Words.looksLikeQuestion(text)
                ? sideQuestion(text)
                : null;
    }

    private @Nullable Heard pending(String text) {
        return switch (run.awaiting()) {
            case null -> null;
            case Awaiting.Suggestion suggestion -> new Picks(walker).hearSuggestion(suggestion, text);
            case Awaiting.OpenQuestion open when flowOf(text) != null -> null;
            case Awaiting awaiting -> walker.player().hear(awaiting, text);
        };
    }

    /** Who wants out is told the ways; the place is kept until they choose one. */
    private @Nullable Heard wayOut(String text) {
        return run.awaiting() == null || !Moods.wantsOut(text)
                ? null
                : new Heard("wants out", "", () -> {
                    run.await(beneath());
                    run.say(Phrasebook.WAYS_OUT);
                });
    }

    /** Who does not know leaves out what may be left out; what may not is asked with more help. */
    private @Nullable Heard unsure(String text) {
        Awaiting pending = beneath();
        if (pending == null || pending instanceof Awaiting.OpenQuestion || !Moods.isUnsure(text)) {
            return null;
        }
        return new Heard("does not know", "", () -> {
            run.await(pending);
            if (pending.offers(Offers.SKIP)) {
                run.say(Phrasebook.LEFT_OPEN);
                new Picks(walker).pick(List.of(Offers.SKIP));
            } else {
                repairs.notUnderstood(text);
            }
        });
    }

    /** What is nothing but a value is no question: it is kept for what asks for it, or the bot says that nothing does. */
    private @Nullable Heard value(String text) {
        BareValue bare = BareValue.of(text, run.around().context());
        if (text.endsWith("?") && text.chars().anyMatch(Character::isLetter)
                || bare == BareValue.NONE && !PLAIN.matcher(text).matches()) {
            return null;
        }
        Heard kept = somethingElse(text);
        if (kept != null) {
            return kept;
        }
        Awaiting pending = beneath();
        return new Heard("a value nobody asked for", bare.name().toLowerCase(Locale.ROOT), () -> {
            run.await(pending);
            if (bare == BareValue.DAYS && asking.wantsDay()) {
                run.say(Phrasebook.WHICH_DAY);
                walker.putAgain();
            } else if (pending == null || pending instanceof Awaiting.OpenQuestion) {
                run.say(Phrasebook.UNASKED);
            } else {
                repairs.notUnderstood(text);
            }
        });
    }

    /** Who is angry is met with a person rather than with the same question again. */
    private @Nullable Heard anger(String text) {
        return !Moods.isAngry(text)
                ? null
                : new Heard("anger", "a person is offered", () -> {
                    run.await(beneath());
                    run.say(Phrasebook.SORRY);
                    walker.putAgain();
                });
    }

    /** Questions in one message that are each surely known. */
    private @Nullable Heard severalQuestions(String text) {
        List<Finding> known = Answering.questions(text).stream()
                .map(question -> answering.ask(List.of(question), List.of()))
                .filter(finding -> finding.outcome() == Finding.Outcome.ANSWER)
                .toList();
        return known.size() < 2
                ? null
                : Heard.of(() -> {
                    run.await(beneath());
                    run.remember(text);
                    known.forEach(finding -> answering.say(finding, ""));
                    walker.putAgain();
                });
    }

    private Finding finding(String text) {
        return answering.ask(run.askedThen(text), List.of());
    }

    /** A question of the visitor's own, answered from the knowledge; the pending question is put again. */
    private @Nullable Heard sideQuestion(String text) {
        Finding finding = finding(text);
        Awaiting pending = beneath();
        boolean asks = Words.looksLikeQuestion(text);
        boolean telling =
                !asks && pending != null && !asking.givenAway(text, List.of()).isEmpty();
        Finding.Outcome outcome = answering.outcome(finding);
        boolean byTable =
                !finding.matches().isEmpty() && finding.matches().getFirst().source() == Finding.Source.TABLE;
        if (telling && (outcome != Finding.Outcome.ANSWER || byTable)) {
            return null;
        }
        return switch (outcome) {
            case ANSWER ->
                Heard.of(() -> {
                    run.await(pending);
                    answer(finding, text);
                });
            case SUGGEST ->
                (asks || !(pending instanceof Awaiting.Reply) && !Words.areNames(text)) && flowOf(text) == null
                        ? Heard.of(() -> {
                            run.remember(text);
                            answering.suggest(finding, text, pending);
                        })
                        : null;
            case NONE ->
                (asks || pending == null) && flowOf(text) == null
                        ? Heard.of(() -> {
                            run.remember(text);
                            run.await(pending);
                            answering.notFound(finding, text);
                            run.responses.say(Occasion.NOT_FOUND);
                            walker.putAgain();
                        })
                        : null;
        };
    }

    private void answer(Finding finding, String text) {
        run.remember(text);
        answering.say(finding, "");
        asking.keepWhatElse(text, List.of());
        if (!answering.leadsOn(finding.matches().getFirst())) {
            walker.putAgain();
        }
    }

    private @Nullable Heard phrase(String text) {
        Playbook.Phrase phrase = flowOf(text);
        return phrase == null
                ? null
                : new Heard(
                        "phrase of a flow",
                        "“" + phrase.normal() + "” leads to " + run.playbook.nameOf(phrase.flow()),
                        () -> {
                            Place start = run.playbook.startOf(phrase.flow());
                            asking.keepWhatElse(text, List.of());
                            if (start != null) {
                                walker.visit(start);
                            }
                        });
    }

    private Playbook.@Nullable Phrase flowOf(String text) {
        if (run.playbook.phrases().isEmpty()) {
            return null;
        }
        String normal = " " + Words.normal(text) + " ";
        Place here = run.at();
        return run.playbook.phrases().stream()
                .filter(phrase -> normal.contains(" " + phrase.normal() + " "))
                .filter(phrase -> here == null || !phrase.flow().equals(here.flow()))
                .filter(phrase -> run.playbook.startOf(phrase.flow()) != null)
                .findFirst()
                .orElse(null);
    }

    /** What answers nothing that was asked, but gives away something that will be. */
    private @Nullable Heard somethingElse(String text) {
        Awaiting pending = beneath();
        boolean asked = pending instanceof Awaiting.Reply
                || pending instanceof Awaiting.Pick
                || pending instanceof Awaiting.OpenQuestion;
        return !asked || asking.givenAway(text, List.of()).isEmpty()
                ? null
                : Heard.of(() -> {
                    run.await(pending);
                    asking.keepWhatElse(text, List.of());
                    walker.putAgain();
                });
    }
}
