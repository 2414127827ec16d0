package com.shuttle.core.reading;

import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** The words of a message: cleaning, splitting, comparing. Pure functions. */
public final class Words {

    /** The longest message that is taken, in UTF-16 units. */
    public static final int LONGEST_MESSAGE = 4000;

    /** The readers look at no more of a message than this, in UTF-16 units. */
    public static final int LONGEST_READ = 600;

    /** Nor at more words, figures and marks; people write about 130 in a text as long as that. */
    private static final int MOST_PIECES = 240;

    private static final int MOST_SAME_MARKS = 3;

    /** What a message opens with stands within this. */
    private static final int LONGEST_OPENING = 200;

    private static final Set<String> EVERYDAY = WordLists.load("not-names.txt");
    private static final Set<String> DENYING = WordLists.load("denying.txt");

    /** Control characters but line feed and tab; direction overrides and isolates; zero-width marks; byte-order mark. */
    private static final Pattern HARMFUL =
            Pattern.compile("[\\p{Cc}&&[^\\n\\t]]|[\\u200B\\u200E\\u200F\\u202A-\\u202E\\u2066-\\u2069\\uFEFF]");

    /** More marks on one letter than any script has. */
    private static final int MOST_MARKS = 5;

    private static final Pattern PILED = Pattern.compile("(\\p{M}{" + MOST_MARKS + "})\\p{M}++");

    private static final Pattern MARKS = Pattern.compile("\\p{M}+");
    private static final Set<String> QUESTION_STARTS = Set.of(
            "what", "whats", "what's", "who", "whos", "who's", "where", "wheres", "where's", "when", "whens", "when's",
            "why", "how", "hows", "how's", "which", "do", "does", "did", "can", "could", "is", "are", "will", "would",
            "should", "may", "am", "was", "were", "have", "has", "isn't", "aren't", "don't", "doesn't", "can't");

    /** Words that may stand before a question and say nothing. */
    private static final Set<String> BEFORE_QUESTIONS = Set.of(
            "ok", "okay", "and", "so", "but", "well", "right", "great", "thanks", "hi", "hello", "hey", "oh", "um",
            "ah", "also", "then", "now", "alright", "cool", "fine", "good", "sorry");

    /** Letters and signs that look like blanks: Hangul fillers and the empty Braille cell. */
    private static final String SHAPELESS = "\u115F\u1160\u3164\uFFA0\u2800";

    private Words() {}

    /**
     * What may be kept of a message: composed (NFC), full-width forms and smart quotes made plain, without control
     * characters and marks that turn the direction of text around, with at most {@value #MOST_MARKS} marks on a letter,
     * trimmed.
     */
    public static String clean(String raw) {
        String text = Normalizer.normalize(raw, Normalizer.Form.NFC);
        text = PILED.matcher(HARMFUL.matcher(text).replaceAll("")).replaceAll("$1");
        StringBuilder plain = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '！' && c <= '～') {
                c = (char) (c - 0xFEE0);
            } else if (c == '‘' || c == '’') {
                c = '\'';
            } else if (c == '“' || c == '”') {
                c = '"';
            } else if (c == '\u3000' || c == '\u00A0') {
                c = ' ';
            }
            plain.append(c);
        }
        return Normalizer.normalize(plain, Normalizer.Form.NFC).strip();
    }

    /**
     * What the readers look at of a message: runs of white space become one space, or one line feed where they have one, runs
     * of one and the same mark become three, and of a longer message the first {@value #LONGEST_READ} characters and
     * {@value #MOST_PIECES} words, figures and marks. Nobody answers a question at greater length, and a reader whose steps
     * grow with the square of the length stays quick.
     */
    public static String readable(String text) {
        StringBuilder read = new StringBuilder(Math.min(text.length(), LONGEST_READ));
        int same = 0;
        int pieces = 0;
        for (int i = 0; i < text.length() && read.length() < LONGEST_READ && pieces <= MOST_PIECES; i++) {
            char c = text.charAt(i);
            char last = read.isEmpty() ? 'x' : read.charAt(read.length() - 1);
            pieces += goesOn(last, c) ? 0 : 1;
            if (Character.isWhitespace(c) || c >= '\ufdf0' && c <= '\ufdfd') {
                // Arabic phrases in one character, which unfold to up to eighteen, are read as a break.
                if (!Character.isWhitespace(last)) {
                    read.append(c == '\n' ? '\n' : ' ');
                } else if (c == '\n') {
                    read.setCharAt(read.length() - 1, '\n');
                }
                same = 0;
            } else if (c == last && !Character.isLetterOrDigit(c) && !Character.isSurrogate(c)) {
                if (++same < MOST_SAME_MARKS) {
                    read.append(c);
                }
            } else {
                read.append(c);
                same = 0;
            }
        }
        boolean halved = !read.isEmpty() && Character.isHighSurrogate(read.charAt(read.length() - 1));
        return (halved ? read.substring(0, read.length() - 1) : read.toString()).strip();
    }

    /** A break between clauses as long as what it stands for, in the place of words that were read already. */
    public static String gap(int length) {
        StringBuilder gap = new StringBuilder("; ".repeat(length / 2 + 1).substring(0, length));
        if (length > 0) {
            // Two blanks in a row would be folded into one, and all that follows would stand elsewhere.
            gap.setCharAt(length - 1, ';');
        }
        return gap.toString();
    }

    /** Whether letters stand anywhere in a text, whatever their case. @param letters in lower case */
    static boolean has(String text, String letters) {
        for (int i = 0; i + letters.length() <= text.length(); i++) {
            if (text.regionMatches(true, i, letters, 0, letters.length())) {
                return true;
            }
        }
        return false;
    }

    /** Whether a character is of the same word or figure as the one before it, or stands between words. */
    private static boolean goesOn(char last, char c) {
        return Character.isWhitespace(c)
                || Character.isLetter(c) && Character.isLetter(last)
                || Character.isDigit(c) && Character.isDigit(last)
                || Character.isSurrogate(c);
    }

    /** Whether a text has anything that can be seen: not only blanks, formatting marks and letters without a shape. */
    public static boolean shows(String text) {
        return text.codePoints().anyMatch(c -> switch (Character.getType(c)) {
            case Character.SPACE_SEPARATOR,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR,
                    Character.CONTROL,
                    Character.FORMAT,
                    Character.SURROGATE,
                    Character.PRIVATE_USE,
                    Character.UNASSIGNED,
                    Character.NON_SPACING_MARK,
                    Character.ENCLOSING_MARK -> false;
            default -> SHAPELESS.indexOf(c) < 0;
        });
    }

    /** Lower-case words without punctuation; accents folded. */
    public static List<String> of(String text) {
        String folded = fold(text);
        List<String> words = new ArrayList<>();
        int begin = 0;
        for (int i = 0; i < folded.length(); ) {
            int c = folded.codePointAt(i);
            int next = i + Character.charCount(c);
            if (!isOfWord(c)) {
                add(folded, begin, i, words);
                begin = next;
            }
            i = next;
        }
        add(folded, begin, folded.length(), words);
        return words;
    }

    private static boolean isOfWord(int c) {
        return Character.isLetterOrDigit(c)
                || c == '+'
                || c == '#'
                || c == '\''
                || c > 127
                        && (Character.getType(c) == Character.LETTER_NUMBER
                                || Character.getType(c) == Character.OTHER_NUMBER);
    }

    private static void add(String folded, int begin, int end, List<String> words) {
        String bare = begin == end ? "" : strip(folded.substring(begin, end));
        if (!bare.isEmpty()) {
            words.add(bare);
        }
    }

    /** The words joined by single spaces: equal for texts that differ in case, accents and punctuation only. */
    public static String normal(String text) {
        return String.join(" ", of(text));
    }

    /** Whether a word, in lower case, is one of those that hold every text together: no name is one. */
    public static boolean everyday(String word) {
        return EVERYDAY.contains(word);
    }

    private static final Pattern NAMES = Pattern.compile("\\p{Lu}[\\p{L}'’&.-]*+(?: \\p{Lu}[\\p{L}'’&.-]*+){1,3}");

    /** Whether one of some words, as from {@link #of}, denies something. */
    public static boolean deny(List<String> words) {
        return words.stream().anyMatch(DENYING::contains);
    }

    /** Whether a text is nothing but two to four words that are written as names. */
    public static boolean areNames(String text) {
        return NAMES.matcher(text.strip()).matches();
    }

    /** Whether a message reads as a question: by its mark, or by the word it opens with. */
    public static boolean looksLikeQuestion(String text) {
        if (text.strip().endsWith("?")) {
            return true;
        }
        List<String> words = of(text.length() <= LONGEST_OPENING ? text : text.substring(0, LONGEST_OPENING));
        return opensAsQuestion(words);
    }

    /** The same for words that are taken apart already, by the word they open with. */
    public static boolean opensAsQuestion(List<String> words) {
        int first = 0;
        while (first < words.size() && BEFORE_QUESTIONS.contains(words.get(first))) {
            first++;
        }
        return words.size() - first >= 3 && QUESTION_STARTS.contains(words.get(first));
    }

    /** Whether words begin as questions do, however few they are: "what's included". */
    static boolean opensQuestion(List<String> words) {
        return words.size() > 1 && QUESTION_STARTS.contains(words.getFirst());
    }

    /**
     * Optimal string alignment distance: insertions, deletions, substitutions and swaps of neighbours, each counting 1
     * (Damerau 1964, restricted form). Stops early and returns {@code limit + 1} when it cannot be within {@code limit}.
     */
    public static int distance(String a, String b, int limit) {
        if (Math.abs(a.length() - b.length()) > limit) {
            return limit + 1;
        }
        int[] beforeLast = new int[b.length() + 1];
        int[] last = new int[b.length() + 1];
        int[] row = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) {
            last[j] = j;
        }
        for (int i = 1; i <= a.length(); i++) {
            row[0] = i;
            int best = i;
            for (int j = 1; j <= b.length(); j++) {
                int cost = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                row[j] = Math.min(Math.min(row[j - 1] + 1, last[j] + 1), last[j - 1] + cost);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    row[j] = Math.min(row[j], beforeLast[j - 2] + 1);
                }
                best = Math.min(best, row[j]);
            }
            if (best > limit) {
                return limit + 1;
            }
            int[] spare = beforeLast;
            beforeLast = last;
            last = row;
            row = spare;
        }
        return last[b.length()];
    }

    /** How many slips of the keyboard are forgiven in a word of this length: none under 4 letters, then 1, from 8 on 2. */
    public static int slips(String word) {
        return word.length() < 4 ? 0 : word.length() < 8 ? 1 : 2;
    }

    public static String fold(String text) {
        String lower = text.toLowerCase(Locale.ROOT);
        return isAscii(lower)
                ? lower
                : MARKS.matcher(Normalizer.normalize(lower, Normalizer.Form.NFKD))
                        .replaceAll("");
    }

    /** Most messages are, and those need no folding. */
    private static boolean isAscii(String text) {
        for (int i = 0; i < text.length(); i++) {
            if (text.charAt(i) > 127) {
                return false;
            }
        }
        return true;
    }

    private static String strip(String word) {
        int from = 0;
        int to = word.length();
        while (from < to && word.charAt(from) == '\'') {
            from++;
        }
        while (to > from && word.charAt(to - 1) == '\'') {
            to--;
        }
        return word.substring(from, to);
    }
}
