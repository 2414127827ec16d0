package com.shuttle.core.engine.turn;

import com.shuttle.core.listening.Claim;
import com.shuttle.core.listening.Source;
import com.shuttle.core.listening.Span;
import com.shuttle.core.listening.Strengths;
import java.util.List;

/**
 * What somebody understood of a message, proposed to the listener; nothing has changed yet.
 *
 * @param move     what is done if the listener decides for it
 * @param rule     who understood it, for the trace; empty where the move tells by itself
 * @param detail   what it was
 * @param strength how sure it is, 0 to 1
 * @param words    those that were understood, in order and apart; none for all of the message
 * @param files    whether words of the message are taken down as a value
 * @param shares   whether others may read all of the message, too
 */
public record Heard(
        Move move, String rule, String detail, double strength, List<Span> words, boolean files, boolean shares) {

    public Heard {
        words = List.copyOf(words);
    }

    /** Takes all of a message. */
    public static Heard of(Move move, String rule, String detail) {
        return new Heard(move, rule, detail, Strengths.ANSWER, List.of(), false, false);
    }

    /** Takes all of a message, and tells of itself when it is performed. */
    public static Heard of(Move move) {
        return of(move, "", "");
    }

    /** The same, of some words only. @param words none for all of the message */
    public Heard of(List<Span> words) {
        return new Heard(move, rule, detail, strength, words, files, shares);
    }

    /** The same, of the words of a stretch. */
    public Heard of(int start, int end) {
        return end > start ? of(List.of(new Span(start, end))) : this;
    }

    /** The same, where others may read all of the message, too. */
    public Heard sharing() {
        return new Heard(move, rule, detail, strength, words, files, true);
    }

    public Heard as(double strength) {
        return new Heard(move, rule, detail, strength, words, files, shares);
    }

    /** The same, taking words of the message down as a value. */
    public Heard filing() {
        return new Heard(move, rule, detail, strength, words, true, shares);
    }

    /** The same, with another move. */
    public Heard doing(Move other) {
        return new Heard(other, rule, detail, strength, words, files, shares);
    }

    /** The words that it understood. */
    public List<Span> in(String text) {
        return words.isEmpty() ? Span.all(text) : words;
    }

    /** A message as it leaves it to others: as long as it was, with gaps where it understood words; empty where it takes all. */
    public String leftOf(String text) {
        return shares ? text : words.isEmpty() ? "" : Span.without(text, words);
    }

    /**
     * The claim it makes on a message.
     *
     * @param others words that it leaves to others wherever they stand
     */
    public Claim<Heard> claim(Source source, String text, List<Span> others) {
        String says = detail.isEmpty() ? rule : detail;
        return new Claim<>(source, Span.minus(in(text), others), strength, says, this);
    }
}
