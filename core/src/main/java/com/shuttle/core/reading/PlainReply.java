package com.shuttle.core.reading;

import java.util.regex.Pattern;

/** Replies that only agree or decline, and to what they do not tell: they are no value of any kind. Pure function. */
public final class PlainReply {

    private static final Pattern PLAIN = Pattern.compile(
            "[\\W_]*+(?:(?:oh|ah|aha|fair enough|yes|yep|yeah|no|nope|nah|okay|ok|sure|nothing|none|not really|not now|hm+|right|correct|all ?right|fine|good|great|perfect|cool|lovely|nice"
                    + "|(?:that'?s |that )?(?:looks|sounds|is)? ?(?:good|great|fine|perfect|ok|okay|correct|right)|i see|got it|understood|ta|thx|ty)[\\W_]*+){0,3}",
            Pattern.CASE_INSENSITIVE);

    private PlainReply() {}

    public static boolean matches(String text) {
        return PLAIN.matcher(text.replace('’', '\'')).matches();
    }
}
