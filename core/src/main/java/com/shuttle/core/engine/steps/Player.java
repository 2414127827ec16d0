package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message.Look;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * What one step does in one turn. A kind overrides what it has to do with; whatever comes for a step that has nothing to do
 * with it changes nothing.
 */
public abstract class Player {

    /** "No wheelchairs" leaves nothing out. */
    private static final Pattern NO_SUCH = Pattern.compile(
            "\\W*no\\s+(?!thanks|thank|need|nothing|worries|please|more|idea|problem|preference|special|really|particular)\\p{L}{4,}\\W*",
            Pattern.CASE_INSENSITIVE);

    protected final Course course;
    protected final TurnRun run;

    protected Player(Course course) {
        this.course = course;
        this.run = course.run();
    }

    /** The conversation has come to the step. Afterwards it waits, is passed on, has ended or stands elsewhere. */
    public abstract void enter();

    /** What a message says to the step; null where it says nothing. Changes nothing. */
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        return null;
    }

    /** What becomes of it where somebody will not answer; null where nothing is asked that may be refused. Changes nothing. */
    public @Nullable Heard refusing(Awaiting awaiting) {
        return null;
    }

    /** Asks whether words are the answer that they may be; null where that cannot be asked. Changes nothing. */
    public @Nullable Heard doubting(Awaiting awaiting, String text) {
        return null;
    }

    /** What a message says to something that was awaited before; taking it up goes back to that. */
    public final @Nullable Heard resuming(Awaiting before, String text) {
        Heard heard = hear(before, text);
        return heard == null ? null : heard.doing(new Move.Resume(before, (Move.OfStep) heard.move()));
    }

    /**
     * Does what a message was understood to make it do.
     *
     * @throws IllegalStateException if that is nothing that it proposes
     */
    public void perform(Move.OfStep move) {
        throw new IllegalStateException("expected a move of " + getClass().getSimpleName() + ", but got "
                + move.getClass().getSimpleName());
    }

    /** Options were picked by hand; they are among those offered. */
    public void pick(Awaiting awaiting, List<String> options) {}

    /** A value came in another form than words: a secret or a file. */
    public void given(Value value) {}

    /** A suggestion that was made for this step was taken up. @param none whether none of them was meant */
    public void suggested(boolean none) {}

    /** The time that was waited for has come. */
    public void timeCame() {}

    /** The signal that was waited for has come. @param text may be empty @param body null where it brought no JSON */
    public void signalled(String text, @Nullable JsonNode body) {}

    /** What an errand brought has come. @param result null where nothing came of it */
    public void came(@Nullable JsonNode result) {}

    /** The person who had the conversation gave it back; the bot has it. */
    public void returned() {
        run.stand(null);
        run.say(Phrasebook.STILL_HERE);
    }

    /** The person who had the conversation closed it. */
    public void closed() {
        run.say(Phrasebook.CLOSED);
        run.pass(Speaker.ENDED);
    }

    /** A flow that was gone to from here has come back. */
    public void cameBack() {}

    /** Puts what is awaited again, in fewer words. */
    public void putAgain(Awaiting awaiting) {}

    /** Failed answers after which it gives up. */
    public int tries() {
        return Question.TRIES;
    }

    /** What is being asked for; null for nothing in particular, or several things. */
    public @Nullable Wanted wanted(Awaiting awaiting) {
        return null;
    }

    /** Forgets what was answered, because the visitor goes back to it. */
    public void forget() {}

    // What several kinds have in common

    /** Puts a question again in fewer words: filled first, so that nothing is cut within a placeholder. */
    protected void sayShorter(List<String> wordings, List<Offer> offers, Look look) {
        List<String> usable =
                wordings.stream().filter(wording -> !wording.isBlank()).toList();
        String words = usable.isEmpty() ? "" : Texts.shorter(run.filled(usable.get(run.pick(usable.size()))));
        if (!words.isBlank() || !offers.isEmpty()) {
            run.sayPrepared(words.isBlank() ? Phrasebook.WHICH : words, offers, look);
        }
    }

    /** Whether a text denies one thing rather than what was asked. */
    protected static boolean deniesOne(String text) {
        return NO_SUCH.matcher(text).matches();
    }

    /** Whether a text is a plain no. */
    protected boolean saysNo(String text) {
        boolean plain = Words.of(text).size() <= 4 || Regex.matches(text.strip(), "(?is)(?:no|nah|nope|not)\\b.*");
        return plain && !deniesOne(text) && yesOrNo(text) == Boolean.FALSE;
    }

    /** Yes, no, or null for neither. */
    protected @Nullable Boolean yesOrNo(String text) {
        return Reader.reply(ValueType.YES_NO, text, run.around().context())
                        instanceof Reading.Given(Value.YesNo(boolean yes), int start, int end)
                ? (Boolean) yes
                : null;
    }
}
