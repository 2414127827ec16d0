package com.shuttle.core.engine;

import com.shuttle.core.acts.Kind;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.steps.GivenAway;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.knowledge.Tongue;
import com.shuttle.core.listening.Moods;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.BareValue;
import com.shuttle.core.reading.PlainReply;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What says something of the visitor rather than of the matter, and values that nobody asked for. For one turn. */
final class Asides {

    /** What is said to who is only social; others are met with what goes on. */
    private static final Map<Kind, String> REPLIES = Map.of(
            Kind.GREETING, Phrasebook.HELLO,
            Kind.THANKS, Phrasebook.WELCOME,
            Kind.REACTION, Phrasebook.GLAD,
            Kind.OK, Phrasebook.AS_YOU_LIKE,
            Kind.LAUGHTER, Phrasebook.SMILES,
            Kind.ROBOT, Phrasebook.A_PROGRAM,
            Kind.CHAT, Phrasebook.I_SEE,
            Kind.COMPLAINT, Phrasebook.SORRY);

    private final TurnRun run;
    private final Walker walker;
    private final Repairs repairs;
    private final GivenAway givenAway;

    Asides(Walker walker, Repairs repairs, GivenAway givenAway) {
        this.run = walker.run();
        this.walker = walker;
        this.repairs = repairs;
        this.givenAway = givenAway;
    }

    /** Who says only that they want out, do not know or do not understand. */
    @Nullable
    Heard aboutThemselves(String text) {
        return Stream.<Supplier<@Nullable Heard>>of(() -> wayOut(text), () -> unsure(text), () -> lost(text))
                .map(Supplier::get)
                .filter(Objects::nonNull)
                .findFirst()
                .orElse(null);
    }

    /** Who did not understand what was asked is told what is wanted, or asked again. */
    private @Nullable Heard lost(String text) {
        Awaiting pending = Questions.beneath(run.awaiting());
        return pending == null || pending instanceof Awaiting.OpenQuestion || !Moods.isLost(text)
                ? null
                : Heard.of(new TalkMove.Explain(pending, text), "did not understand", "asked again")
                        .as(Strengths.ABOUT_THEMSELVES);
    }

    /** Who wants out is told the ways; the place is kept until they choose one. */
    private @Nullable Heard wayOut(String text) {
        return Moods.wantsOut(text) ? outWays() : null;
    }

    /** The ways out, where something is waited for that one may want out of. */
    @Nullable
    Heard outWays() {
        Awaiting awaiting = run.awaiting();
        return awaiting == null
                ? null
                : Heard.of(new TalkMove.TellWaysOut(Questions.beneath(awaiting)), "wants out", "")
                        .as(Strengths.ABOUT_THEMSELVES);
    }

    /** Who does not know leaves out what may be left out; what may not is asked with more help. */
    private @Nullable Heard unsure(String text) {
        Awaiting pending = Questions.beneath(run.awaiting());
        return pending == null || pending instanceof Awaiting.OpenQuestion || !Moods.isUnsure(text)
                ? null
                : isUnsure(text, pending);
    }

    /** Somebody does not know what is pending. */
    Heard isUnsure(String text, Awaiting pending) {
        return Heard.of(new TalkMove.Help(pending, text), "does not know", "").as(Strengths.ABOUT_THEMSELVES);
    }

    /** Who speaks another language is told once that this bot does not, and then offered a person. */
    @Nullable
    Heard otherLanguage(String text) {
        String tongue = Tongue.of(text);
        if (tongue.equals(Tongue.ENGLISH)) {
            return null;
        }
        boolean again =
                run.asked.then("").stream().anyMatch(words -> !Tongue.of(words).equals(Tongue.ENGLISH));
        return Heard.of(new TalkMove.TellTongue(text, again), "another language", tongue)
                .as(Strengths.TEMPER);
    }

    /** Whether a message is nothing but a value, or a plain yes or no; such a one is no question. */
    boolean isValue(String text) {
        boolean asks = text.endsWith("?") && text.chars().anyMatch(Character::isLetter);
        return !asks && !goesOnAsking(text) && (bare(text) != BareValue.NONE || PlainReply.matches(text));
    }

    private static final Pattern GOES_ON =
            Pattern.compile("\\W*(?:and|or|what about|how about)\\s.*", Pattern.CASE_INSENSITIVE);

    /** "And on sundays" after a question was answered asks the same of something else, where no value is awaited. */
    boolean goesOnAsking(String text) {
        Awaiting pending = Questions.beneath(run.awaiting());
        boolean asked = pending instanceof Awaiting.Reply || pending instanceof Awaiting.Facts;
        return !asked
                && run.asked.then(text).size() > 1
                && GOES_ON.matcher(text).matches();
    }

    private BareValue bare(String text) {
        return BareValue.of(text, run.around().context());
    }

    /** What is done with a value that nobody asked for. */
    Heard value(String text) {
        BareValue bare = bare(text);
        Awaiting pending = Questions.beneath(run.awaiting());
        return Heard.of(
                        new TalkMove.PutStray(text, bare, pending),
                        "a value nobody asked for",
                        bare.name().toLowerCase(Locale.ROOT))
                .as(Strengths.BARE_VALUE);
    }

    /** Who is angry is met with a person rather than with the same question again. */
    @Nullable
    Heard anger(String text) {
        return !Moods.isAngry(text)
                ? null
                : Heard.of(new TalkMove.Soothe(), "anger", "a person is offered")
                        .as(Strengths.TEMPER);
    }

    void perform(TalkMove.OfVisitor move) {
        switch (move) {
            case TalkMove.TellWaysOut(Awaiting pending) -> {
                run.await(pending);
                run.say(Phrasebook.WAYS_OUT);
            }
            case TalkMove.Explain(Awaiting pending, String said) -> explain(pending, said);
            case TalkMove.Help(Awaiting pending, String said) -> help(pending, said);
            case TalkMove.TakeAny(Awaiting pending, String said) -> {
                if (pending.offers(Offers.SKIP)) {
                    help(pending, said);
                } else {
                    goOn(pending, Phrasebook.NEAREST);
                }
            }
            case TalkMove.LeaveOpen(Wanted other, Awaiting pending) -> {
                if (other.optional()) {
                    run.facts.leaveOut(other.variable());
                }
                goOn(pending, other.optional() ? Phrasebook.LEFT_OPEN : Phrasebook.AS_YOU_LIKE);
            }
            case TalkMove.TellTongue(String said, boolean before) -> {
                run.asked.add(said, "");
                goOn(Questions.beneath(run.awaiting()), before ? Phrasebook.SORRY : Phrasebook.ONLY_ENGLISH);
            }
            case TalkMove.PutStray stray -> put(stray);
            case TalkMove.Soothe() -> goOn(Questions.beneath(run.awaiting()), Phrasebook.SORRY);
            case TalkMove.Reply(Kind kind) ->
                goOn(Questions.beneath(run.awaiting()), REPLIES.getOrDefault(kind, Phrasebook.AS_YOU_LIKE));
            case TalkMove.PassOn(String said) -> {
                run.note(said);
                // "We bring a cake", and then: "is that allowed?"
                run.asked.add(said, "");
                // A month that is told may be half of the day that is asked for.
                goOn(
                        run.awaiting() instanceof Awaiting.Reply reply ? reply.after(said) : run.awaiting(),
                        Phrasebook.NOTED_BESIDES);
            }
        }
    }

    /** Says something and asks on. */
    private void goOn(@Nullable Awaiting pending, String words) {
        run.await(pending);
        run.say(words);
        walker.putAgain();
    }

    private void explain(Awaiting pending, String said) {
        run.await(pending);
        if (walker.player().wanted(pending) != null) {
            repairs.notUnderstood(said);
        } else {
            goOn(pending, Phrasebook.IN_OTHER_WORDS);
        }
    }

    private void help(Awaiting pending, String said) {
        run.await(pending);
        if (pending.offers(Offers.SKIP)) {
            run.say(Phrasebook.LEFT_OPEN);
            new Picks(walker).pick(List.of(Offers.SKIP));
        } else if (pending instanceof Awaiting.Pick) {
            goOn(pending.onceMore(), Phrasebook.NEAREST);
        } else if (pending.tries() == 0 && isFigure(pending.type())) {
            goOn(pending.onceMore(), Phrasebook.NEAREST);
        } else {
            repairs.notUnderstood(said);
        }
    }

    /** Whether something near would do. */
    private static boolean isFigure(@Nullable ValueType type) {
        return type != null
                && switch (type) {
                    case NUMBER, MONEY, DATE, TIME, DATE_TIME -> true;
                    default -> false;
                };
    }

    private void put(TalkMove.PutStray stray) {
        Awaiting pending = stray.pending();
        boolean asked = pending instanceof Awaiting.Reply || pending instanceof Awaiting.Facts;
        boolean letters = stray.said().chars().anyMatch(Character::isLetter);
        // A month may be half of the day that is asked for.
        Awaiting after = pending instanceof Awaiting.Reply reply ? reply.after(stray.said()) : pending;
        run.await(after);
        if (!asked && stray.kind() == BareValue.NONE && letters) {
            goOn(after, Phrasebook.AS_YOU_LIKE);
        } else if (stray.kind() == BareValue.DAYS && givenAway.wantsDay()) {
            goOn(after, Phrasebook.WHICH_DAY);
        } else if (pending == null || pending instanceof Awaiting.OpenQuestion) {
            run.say(Phrasebook.UNASKED);
        } else {
            repairs.notUnderstood(stray.said());
        }
    }
}
