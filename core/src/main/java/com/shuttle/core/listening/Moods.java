package com.shuttle.core.listening;

import com.shuttle.core.reading.Finder;
import java.util.regex.Pattern;

/** What a message says of the visitor rather than of the matter. Closed lists; pure functions. */
public final class Moods {

    private static final Pattern WAY_OUT = Pattern.compile(
            "\\W*(?:(?:oh|no|ok|okay|well|actually|sorry|please)\\W+)*(?:never ?mind|forget (?:it|that|about it)|cancel(?: (?:it|that|this|everything|all))?"
                    + "|(?:i|we) (?:don'?t|do not) want (?:that|it|this|to)(?: do (?:that|it|this))?(?: any ?more)?|(?:i|we)(?:'ve| have)? changed (?:my|our) minds?"
                    + "|not interested(?: any ?more)?|leave it|let'?s not)(?:,? (?:then|now|please|thanks|thank you|sorry))*\\W*",
            Pattern.CASE_INSENSITIVE);

    private static final Finder ANGRY = Finder.of(
            "\\b(?:rubbish|useless|ridiculous|pathetic|terrible|awful|horrible|stupid|idiotic|hopeless|crap|shit\\w*|fuck\\w*|wtf|bullshit|for (?:heaven|god|christ)'?s? ?sake"
                    + "|sick of (?:this|you)|(?:not|un) ?happy|disappointed|annoyed|annoying|complain|complaint|fed up|had enough|waste of time|waste my time|not listening|you don'?t (?:get|understand) (?:it|me|this))\\b");

    private static final Pattern UNSURE = Pattern.compile(
            "\\W*(?:(?:oh|um+|uh|er+m?|hm+|well|sorry|honestly|to be honest|tbh)\\W+)*"
                    + "(?:(?:(?:i|we) ?)?(?:don'?t|do not|dont|cannot|can'?t|couldn'?t) (?:really |quite )?(?:know|say|tell|decide)(?: (?:that|it|this|(?:the|our|my|which|what) (?:exact )?\\w+))?|dunno|idk|dont know|can'?t say|cannot say"
                    + "|(?:i(?:'?m| am)|we(?:'?re| are)) (?:not|un) ?(?:really |quite |too )?sure|not (?:really |quite |too )?sure|unsure|undecided|no (?:idea|clue)|(?:i|we) have(?:n'?t| not) (?:decided|thought about (?:it|that))|haven'?t decided|(?:(?:i|we) )?(?:(?:don'?t|dont|do not|haven'?t) (?:have|got)|have no|no) (?:an?y? |the )?(?:fixed |exact )?(?:date|day|time|idea|number|figure|budget)(?: (?:in mind|set|fixed|planned|agreed|chosen))?(?= yet| so far| in mind|\\W*$)"
                    + "|(?:it )?depends|skip(?: (?:it|that|this)(?: one)?)?|(?:that|it)(?:'s| is) (?:still )?open|still open|to be decided|tbd|tbc|open)"
                    + "(?: (?:yet|at the moment|right now|now|exactly|for sure|really|just yet|so far|still|(?:about|of|on) (?:the|that|a) \\w+|(?:about |of |on )?(?:which|what) \\w+))*\\W*",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern LOST = Pattern.compile(
            "\\W*(?:(?:oh|um+|uh|er+m?|hm+|well|wait|but|no|please)\\W++)*+(?:help(?: me)?|sorry(?=\\W*\\?)|what(?: (?:was that|do you mean(?: by (?:that|this))?|does (?:that|this|it) mean|did you say))?|huh|eh|pardon(?: me)?|come again|excuse me|say (?:that|it) again"
                    + "|(?:can|could|would) you (?:please )?(?:repeat|rephrase|explain)(?: (?:that|it|this|the question))?|repeat(?: (?:that|it|please))?|(?:i|we) (?:don'?t|do not|didn'?t) (?:understand|get (?:it|that|you)|follow)(?: (?:that|you|it|this|the question))?"
                    + "|what (?:is|was) the question|(?:i'?m|i am) (?:lost|confused))(?: please| sorry)?\\W*",
            Pattern.CASE_INSENSITIVE);

    private Moods() {}

    /** Whether somebody wants to leave what is going on. */
    public static boolean wantsOut(String text) {
        return WAY_OUT.matcher(straight(text)).matches();
    }

    public static boolean isAngry(String text) {
        return ANGRY.in(straight(text));
    }

    /** Whether somebody says nothing but that they do not know. */
    public static boolean isUnsure(String text) {
        return UNSURE.matcher(straight(text)).matches();
    }

    /** Whether somebody has not understood what was asked, and says no more. */
    public static boolean isLost(String text) {
        return LOST.matcher(straight(text)).matches();
    }

    private static String straight(String text) {
        return text.replace('’', '\'');
    }
}
