package com.shuttle.core.engine;

import com.shuttle.core.acts.Act;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.listening.RepairReader;
import com.shuttle.core.listening.Strengths;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Words;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a message says by what it does, where no wording that is known says so. For one turn. */
final class ActClaims {

    /** Less likely than this it is asked whether words that would do are the answer. */
    private static final double DOUBT = 0.6;

    /** Fewer words tell nothing that could be passed on, unless they likely do. */
    private static final int FEWEST_TOLD = 4;

    private final TurnRun run;
    private final Walker walker;
    private final Requests requests;
    private final Asides asides;
    private final ClauseActs acts;

    ActClaims(Walker walker, Requests requests, Asides asides, ClauseActs acts) {
        this.run = walker.run();
        this.walker = walker;
        this.requests = requests;
        this.asides = asides;
        this.acts = acts;
    }

    /** A standing request in other words than those that are known. */
    @Nullable
    Heard request(String text) {
        return Standing.wantsCall(text) ? null : request();
    }

    /** What only tells something wants even odds, what leads elsewhere better ones, and starting over no doubt. */
    private @Nullable Heard request() {
        Standing meant = acts.mean(Kind.PERSON, ClauseActs.LIKELY)
                ? Standing.PERSON
                : acts.mean(Kind.BACK, ClauseActs.LIKELY)
                        ? Standing.BACK
                        : acts.mean(Kind.RESTART, ClauseActs.BEYOND_DOUBT) ? Standing.START_AGAIN : null;
        if (meant != null) {
            return requests.meant(meant);
        }
        if (acts.mean(Kind.RECAP, ClauseActs.EVEN)) {
            return noted();
        }
        if (acts.mean(Kind.CHANGE, ClauseActs.LIKELY) && !run.facts.all().isEmpty()) {
            return mend().as(Strengths.ABOUT_THEMSELVES);
        }
        return acts.mean(Kind.STOP, ClauseActs.EVEN) ? asides.outWays() : null;
    }

    /** Who does not know yet, or will not say, in other words than those that are known. */
    @Nullable
    Heard attitude(String text) {
        return isOf(Act.UNSURE, text)
                ? attitude(text, Act.UNSURE)
                : isOf(Act.REFUSE, text) ? attitude(text, Act.REFUSE) : null;
    }

    /** What has a question's form is an attitude only where it surely is. */
    private boolean isOf(Act act, String text) {
        return acts.leads(act) && (acts.surely(act) || !Words.looksLikeQuestion(text));
    }

    private @Nullable Heard attitude(String text, Act act) {
        Awaiting pending = Questions.beneath(run.awaiting());
        if (pending == null || pending instanceof Awaiting.OpenQuestion) {
            return null;
        }
        if (act == Act.UNSURE) {
            if (acts.whole().kind() == Kind.ANY) {
                return Heard.of(new TalkMove.TakeAny(pending, text), "does not mind", "")
                        .as(Strengths.ABOUT_THEMSELVES);
            }
            Wanted other = otherThan(walker.player().wanted(pending), text);
            return other == null
                    ? asides.isUnsure(text, pending)
                    : Heard.of(new TalkMove.LeaveOpen(other, pending), "left open", other.variable())
                            .as(Strengths.ABOUT_THEMSELVES);
        }
        Heard refused = walker.player().refusing(pending);
        return refused == null ? null : refused.as(Strengths.ABOUT_THEMSELVES);
    }

    /** What is still to come and named, where what is asked now is not: "we don't know the date yet"; null for none. */
    private @Nullable Wanted otherThan(@Nullable Wanted asked, String text) {
        if (asked != null && isMeant(asked, text)) {
            return null;
        }
        return run.playbook.wanted().stream()
                .filter(one -> one != asked && !run.facts.knows(one.variable()) && isMeant(one, text))
                .findFirst()
                .orElse(null);
    }

    /** Whether words name something, or ask for its kind: "not sure when". */
    private static boolean isMeant(Wanted wanted, String text) {
        List<String> words = Words.of(text);
        boolean asked = switch (wanted.type()) {
            case DATE, DATE_TIME -> words.contains("when");
            case NUMBER -> words.contains("numbers") || words.contains("many");
            default -> false;
        };
        return asked || SeveralReader.names(text, Slot.of(wanted));
    }

    /** Back to something that is named; null where nothing is. */
    @Nullable
    Heard back(String text) {
        return new Redoing(walker, acts).of(text);
    }

    /** Another option of an earlier choice, where a message is marked as one that mends something; null for none. */
    @Nullable
    Heard otherChoice(String text) {
        boolean wonders = acts.onlyWonders(RepairReader.unmarked(text));
        return acts.known() && !wonders && RepairReader.isMarked(text)
                ? new Redoing(walker, acts).choosing(text)
                : null;
    }

    /**
     * What a message is rather than anything else, where nobody understood it; null for nothing better than to ask again.
     *
     * @param doubted whether the step would have taken it; then it is asked whether it may
     */
    @Nullable
    Heard otherwise(String text, boolean doubted) {
        if (!acts.known()) {
            return doubt(text, doubted);
        }
        Odds odds = acts.whole();
        Act act = odds.act();
        boolean mayMean =
                act == Act.GIVE || act == Act.MENTION && odds.of(act) < ClauseActs.SURE || odds.kind() == Kind.GOAL;
        Heard near = mayMean ? near(text) : null;
        if (near != null) {
            return near;
        }
        if (doubted && (act == Act.GIVE || odds.of(act) < DOUBT)) {
            return doubt(text, true);
        }
        return switch (act) {
            case SOCIAL -> said(acts.kind(Act.SOCIAL));
            case MENTION -> said(Kind.CHAT);
            case REFUSE, UNSURE -> attitude(text, act);
            case REQUEST -> wanted(odds.kind(), text);
            case CORRECT -> run.facts.all().isEmpty() ? null : mend();
            case GIVE ->
                odds.kind() == Kind.TELL
                                && (odds.of(Kind.TELL) >= ClauseActs.LIKELY
                                        || Words.of(text).size() >= FEWEST_TOLD)
                        ? Heard.of(new TalkMove.PassOn(text), "told besides", "a note for the team")
                        : null;
            case ASK -> null;
        };
    }

    /** What is told where options are offered may mean one of them: it is asked which. */
    private @Nullable Heard near(String text) {
        return run.awaiting() instanceof Awaiting.Pick ? doubt(text, true) : null;
    }

    private @Nullable Heard doubt(String text, boolean doubted) {
        Awaiting pending = run.awaiting();
        return doubted && pending != null ? walker.player().doubting(pending, text) : null;
    }

    /** A request that is likelier than anything else, and not likely enough to be granted; what leads elsewhere is only offered. */
    private @Nullable Heard wanted(Kind kind, String text) {
        return switch (kind) {
            case PERSON, BACK, RESTART, STOP -> asides.outWays();
            case RECAP -> noted();
            case CHANGE -> run.facts.all().isEmpty() ? null : mend();
            default -> Heard.of(new TalkMove.NotKnown(text, Finding.NOTHING, run.awaiting()), "", text);
        };
    }

    private static Heard noted() {
        return Heard.of(new TalkMove.TellNoted(), "recap", "what is noted");
    }

    /** What is to be changed is not said: it is asked. */
    private static Heard mend() {
        return Heard.of(new TalkMove.AskWhatToMend(), "wants to change something", "and does not say what");
    }

    /** Who greets, thanks, laughs or grumbles is met in a few words, and what is open is asked again. */
    @Nullable
    Heard social() {
        return acts.leads(Act.SOCIAL) ? said(acts.kind(Act.SOCIAL)) : null;
    }

    private static Heard said(Kind kind) {
        return Heard.of(new TalkMove.Reply(kind), "social", kind.label()).as(Strengths.SOCIAL);
    }
}
