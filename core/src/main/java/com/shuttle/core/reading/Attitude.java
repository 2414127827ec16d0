package com.shuttle.core.reading;

import java.util.regex.Pattern;

/** Replies that are about the question rather than an answer to it. */
final class Attitude {

    private static final Finder REFUSES = Finder.of(
            "\\b(?:(?:i'?d |i would )?(?:rather|prefer|prefer to|prefer it if) not\\b|rather you didn'?t|don'?t (?:want|wish|like|care) to|do not (?:want|wish) to|don'?t (?:give|share) (?:out|my|that)|i dont give|won'?t (?:say|tell|give|share|be giving|be sharing)"
                    + "|not (?:telling|saying|giving|sharing|going to (?:say|tell|give|share)|comfortable|willing|happy to (?:say|share|give))|none of your|no thanks?\\b.*\\b(?:say|share|give)|keep (?:that|it|this) (?:private|to myself)|decline"
                    + "|skip(?: this| that| it| please| that one| this one)?$|(?:that'?s|it'?s|this is|that is) (?:private|personal|confidential|none of)|mind your own|not your business|is(?:n'?t| not) important|pass on that|i'?ll pass"
                    + "|^\\W*(?:no|without|(?:i |we )?(?:have no|haven'?t(?: got)?|don'?t have|do not have|don'?t use|have not got|got no|not got))"
                    + " (?:an? |any |my |the |our )?(?:e-?mail|mail|phone|telephone|mobile|number|name|budget|company|address|surname)"
                    + "(?: address| number| name)?(?: please| thanks| sorry| really| yet| i'?m afraid)*(?=\\W*$))\\b");
    private static final Pattern ASKS_BACK = Pattern.compile(
            "^\\W*(?:(?:sorry|wait|hm+|um|but|and|hang on|hello|hi)[\\s,]+)*(?:why\\b|what(?=\\W*$)|what for|how come|what'?s (?:it|that|this|yours)\\b|what is (?:it|that|this) (?:for|needed)"
                    + "|what do you (?:mean|need|want|use|do with)|what does (?:that|it|this) mean|what (?:will|would) (?:you|that|it)|what happens (?:to|with)|who (?:sees|gets|will see|reads)"
                    + "|is (?:that|this|it) (?:needed|required|necessary|safe|private|mandatory|optional|really)|do i (?:have|need) to|do you (?:really )?(?:need|send spam|share|spam|sell (?:it|them|my|data|emails?))|must i"
                    + "|how (?:will|do) you (?:use|keep|store)|how safe|can i (?:decide|skip|say|tell you|do (?:it|this|that)|give|leave)|are you going to (?:call|email|text|share|sell|spam)"
                    + "|will (?:you|this|it) (?:call|email|text|share|sell|spam|use|be (?:used|shared|kept))|which one|you first|like what|such as what|what kind|what sort|meaning what|huh|pardon|come again)\\b[^\\n]*$",
            Pattern.CASE_INSENSITIVE);
    private static final Finder ASKS =
            Finder.of("\\b(?:why (?:do|does|would|should|is|are)|what (?:for|will you use|do you need))\\b[^.]*\\?");

    private Attitude() {}

    /** {@link Reading#REFUSED}, {@link Reading#ASKED_BACK}, or {@link Reading#NOTHING} for neither. */
    static Reading of(String text) {
        String plain = text.replace("’", "'");
        if (REFUSES.in(plain.strip())) {
            return Reading.REFUSED;
        }
        boolean asks = ASKS.in(plain)
                || ASKS_BACK.matcher(plain).matches() && Words.of(plain).size() <= 14;
        return asks ? Reading.ASKED_BACK : Reading.NOTHING;
    }
}
