package com.shuttle.core.listening;

/**
 * How sure claims are, from 0 to 1, in one place so that they can be compared. They order what may be meant by the same words;
 * the distances are rough, and what a claim weighs is as much a matter of how many words it explains.
 */
public final class Strengths {

    /** A standing request that is all of a message. */
    public static final double WHOLE_REQUEST = 1;

    /** What mends something said before is surer than what would answer with the same words. */
    public static final double CHANGE = 0.95;

    /** What a step reads for an answer, and a request for a person in a clause. */
    public static final double ANSWER = 0.9;

    /** An option that no word names: it is nearest in meaning, or written nearly alike. */
    public static final double GUESSED = 0.88;

    /** What only tells of the visitor: wants out, does not know, did not understand. */
    public static final double ABOUT_THEMSELVES = 0.85;

    /** Values told aside are read by cue and type. */
    public static final double TOLD = 0.8;

    /** Any words fit a free question, so that nearly anything else they may mean is surer. */
    public static final double FREE_ANSWER = 0.7;

    /** A flow's phrase within a message. */
    public static final double PHRASE = 0.6;

    /** To be rung up, where no flow does it. */
    public static final double CALL = 0.55;

    /** What asks nothing is an open question only where it is nothing else. */
    public static final double OPEN_ANSWER = 0.5;

    /** What is only polite or cross, by all that was learnt: where nothing answers it. */
    public static final double SOCIAL = 0.45;

    /** Words that name no option lead elsewhere where nothing else is understood of them. */
    public static final double NO_OPTION = 0.4;

    /** Bad temper, and another language: where nothing is understood of the matter. */
    public static final double TEMPER = 0.3;

    /** A question that the knowledge could only suggest answers to; one with an answer is as sure as that is. */
    public static final double SUGGESTED = 0.25;

    /** A value that nobody asked for. */
    public static final double BARE_VALUE = 0.2;

    /** A question that the knowledge does not know. */
    public static final double UNKNOWN = 0.1;

    private Strengths() {}
}
