package com.shuttle.core.engine.turn;

import com.shuttle.core.listening.Claim;
import com.shuttle.core.listening.Source;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import java.util.List;

/**
 * What somebody understood of a message, proposed to the listener; nothing has changed yet.
 *
 * @param rule     who understood it, for the trace; empty where {@code act} tells by itself
 * @param detail   what it was
 * @param strength how sure it is, 0 to 1
 * @param rest     what it leaves of the message to others, as long as the message and blanked where words were understood;
 *     empty where it takes all of it
 * @param files    whether words of the message are taken down as a value
 * @param act      what is done if the listener decides for it
 */
public record Heard(String rule, String detail, double strength, String rest, boolean files, Runnable act) {

    public Heard(String rule, String detail, double strength, String rest, Runnable act) {
        this(rule, detail, strength, rest, false, act);
    }

    /** Takes all of a message. */
    public Heard(String rule, String detail, Runnable act) {
        this(rule, detail, Strengths.ANSWER, "", act);
    }

    /** Takes all of a message, and tells of itself when it acts. */
    public static Heard of(Runnable act) {
        return new Heard("", "", act);
    }

    /** The same, leaving some of the message to others. */
    public Heard leaving(String rest) {
        return new Heard(rule, detail, strength, rest, files, act);
    }

    public Heard as(double strength) {
        return new Heard(rule, detail, strength, rest, files, act);
    }

    /** The same, taking words of the message down as a value. */
    public Heard filing() {
        return new Heard(rule, detail, strength, rest, true, act);
    }

    /** The same, with something done before it. */
    public Heard after(Runnable first) {
        return new Heard(rule, detail, strength, rest, files, () -> {
            first.run();
            act.run();
        });
    }

    /**
     * The claim it makes on a message.
     *
     * @param others words that it leaves to others wherever they stand
     */
    public Claim claim(Source source, String text, List<Span> others) {
        boolean whole = rest.isEmpty() || rest.equals(text);
        List<Span> words = whole ? Span.all(text) : Span.taken(text, rest);
        String says = detail.isEmpty() ? rule : detail;
        return new Claim(source, Span.minus(words, others), strength, says);
    }
}
