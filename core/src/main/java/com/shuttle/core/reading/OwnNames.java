package com.shuttle.core.reading;

import java.util.Locale;
import java.util.regex.Pattern;

/**
 * Whether a name that nobody asked for is somebody's own: they say it of themselves, or leave it as one leaves a card, written
 * as a name and standing by itself. The name in a question, or of whom something is for, is another's. Pure functions; places
 * are in UTF-16 units.
 */
public final class OwnNames {

    private static final Finder INTRODUCES = Finder.ofExactly("\\b(?:name is|name's|name:|call me|called)\\s+$");

    /** What may introduce a name, and says much else too: "I am disappointed". */
    private static final Finder PRESENTS = Finder.ofExactly("\\b(?:i am|i'm|im|this is|it's)\\s+$");

    /** Names that go on are cut short: "Kestrel Foods" is no Kestrel. */
    private static final Pattern GOES_ON = Pattern.compile(" \\p{Lu}\\p{Ll}");

    /** What a clause may begin with before a name that stands by itself. */
    private static final Finder OPENS = Finder.of("(?:^|[,;:.!?\\n(–—§-])\\W*(?:hi|hello|hey|and|yes|ok|sure)?\\W*$");

    private OwnNames() {}

    /** Whether a person's name that was read from a part of a message is the speaker's own. */
    public static boolean isOwn(String text, int start, int end, Context context) {
        if (end > text.length() || start >= end) {
            return false;
        }
        String name = text.substring(start, end);
        boolean several = name.indexOf(' ') > 0;
        boolean written = Character.isUpperCase(name.charAt(0));
        if (isIntroduced(text, start, several || written)) {
            return true;
        }
        String before = text.substring(0, start);
        boolean itself = before.isBlank() || OPENS.in(before);
        if (!itself || InQuestions.isAsked(text, start) || goesOn(text, end)) {
            return false;
        }
        boolean card =
                text.indexOf('@') >= 0 || !PhoneReader.find(text, context).isEmpty();
        return card || written && (several || isSpeaking(text, end));
    }

    /** Whether a name that was read as a firm's is told, not asked about. */
    public static boolean isTold(String text, int start, int end) {
        return end <= text.length()
                && start < end
                && Character.isUpperCase(text.charAt(start))
                && !goesOn(text, end)
                && !InQuestions.isAsked(text, start);
    }

    /** Whether the words before a name say that it is the speaker's. @param name whether it plainly looks like a name */
    public static boolean isIntroduced(String text, int start, boolean name) {
        String before = text.substring(0, start).toLowerCase(Locale.ROOT);
        return INTRODUCES.in(before) || isAddressed(before) || name && PRESENTS.in(before);
    }

    /** Whether words end with a form of address that begins a clause: "Mrs Rowe". */
    private static boolean isAddressed(String before) {
        String[] words = before.strip().split("\\s+");
        String title = words[words.length - 1];
        return NameReader.isTitle(title) && OPENS.in(before.substring(0, before.lastIndexOf(title)));
    }

    private static boolean goesOn(String text, int end) {
        return GOES_ON.matcher(text).region(end, text.length()).lookingAt();
    }

    private static boolean isSpeaking(String text, int end) {
        return text.substring(end).stripLeading().toLowerCase(Locale.ROOT).matches("(?s)(?:here|speaking)\\b.*");
    }
}
