package com.shuttle.core.hostile;

import java.util.List;
import java.util.SplittableRandom;

/**
 * Texts that somebody writes who wants to break something, or whose cat walks over the keys: repeats, runs, nestings, mixed
 * scripts, half pairs, and words that readers look for in every order. The same seed gives the same texts.
 */
public final class HostileTexts {

    /** As long as a message may be. */
    public static final int LENGTH = 4000;

    private static final List<String> PIECES = List.of(
            " ",
            "  ",
            "\n",
            "\t",
            "\u00a0",
            "1 ",
            "12 ",
            "1,",
            "0.",
            "-1 ",
            "1e9 ",
            "½ ",
            "1/2 ",
            "a",
            "a.",
            "a@",
            "a.b@c.",
            "@",
            ".",
            ",",
            "-",
            "–",
            "+",
            "/",
            ":",
            ";",
            "'",
            "\"",
            "(",
            ")",
            "[",
            "]",
            "{",
            "}",
            "{{",
            "}}",
            "<",
            ">",
            "<b>",
            "*",
            "**",
            "_",
            "`",
            "#",
            "|",
            "\\",
            "%",
            "$",
            "£",
            "€",
            "?",
            "!",
            "…",
            "&amp;",
            "http://",
            "www.",
            "a/",
            "//",
            "and ",
            "or ",
            "not ",
            "no ",
            "yes ",
            "but ",
            "between ",
            "between 1 and ",
            "from ",
            "to ",
            "at ",
            "on ",
            "the ",
            "of ",
            "for ",
            "in ",
            "next ",
            "last ",
            "this ",
            "every ",
            "two ",
            "dozen ",
            "hundred ",
            "thousand ",
            "million ",
            "half ",
            "a quarter to ",
            "past ",
            "o'clock ",
            "am ",
            "pm ",
            "monday ",
            "Tues ",
            "january ",
            "3rd ",
            "2026-",
            "tomorrow ",
            "weeks ",
            "days ",
            "in three weeks ",
            "my name is ",
            "I am ",
            "call me ",
            "this is ",
            "Dr. ",
            "O'",
            "van der ",
            "Mc",
            "Ltd",
            "& Sons ",
            "company ",
            "at Acme ",
            "we are ",
            "of us ",
            "people ",
            "kids ",
            "and a half ",
            "not the 3rd ",
            "instead ",
            "sorry, ",
            "I mean ",
            "actually ",
            "except ",
            "neither ",
            "all ",
            "both ",
            "none ",
            "first ",
            "number two ",
            "phone ",
            "+44 ",
            "0",
            "07",
            "020 ",
            "ext ",
            "e-mail ",
            " at ",
            " dot ",
            "per person ",
            "GBP ",
            "k ",
            "3k ",
            "quid ",
            "budget ",
            "under ",
            "over ",
            "up to ",
            "max ",
            "cheapest ",
            "lighter than ",
            "kg ",
            "who ",
            "what ",
            "how many ",
            "é",
            "é",
            "ß",
            "İ",
            "ı",
            "ﬀ",
            "ﷺ",
            "שּׁ",
            "𝅘𝅥",
            "\u202e",
            "\u200d",
            "👩‍👩‍👧",
            "🇬🇧",
            "\ud83d",
            "\udc00",
            "日本",
            "עברית",
            "العربية",
            "हिन्दी",
            "ไทย",
            "З",
            "\u0301",
            "\u0000",
            "\ufeff",
            "１",
            "Ⅷ",
            "①");

    private final SplittableRandom random;

    public HostileTexts(long seed) {
        random = new SplittableRandom(seed);
    }

    /** Another text of at most {@link #LENGTH} UTF-16 units. */
    public String next() {
        String text = switch (random.nextInt(8)) {
            case 0 -> piece().repeat(LENGTH);
            case 1 -> piece() + piece().repeat(LENGTH - 20) + piece();
            case 2 -> (piece() + piece()).repeat(LENGTH / 2);
            case 3 -> piece().repeat(LENGTH / 4) + piece().repeat(LENGTH / 4) + piece().repeat(LENGTH / 4) + piece();
            case 4 -> nested();
            case 5 -> (piece() + piece() + piece() + piece()).repeat(LENGTH / 4);
            case 6 -> noise(LENGTH);
            default -> noise(random.nextInt(1, 200));
        };
        return text.length() <= LENGTH ? text : text.substring(0, LENGTH);
    }

    private String nested() {
        String open = piece();
        String close = piece();
        int depth = random.nextInt(1, LENGTH / 4);
        return open.repeat(depth) + piece() + close.repeat(depth);
    }

    private String noise(int pieces) {
        StringBuilder text = new StringBuilder();
        while (text.length() < LENGTH && pieces-- > 0) {
            text.append(random.nextInt(4) == 0 ? piece().repeat(random.nextInt(1, 30)) : piece());
        }
        return text.toString();
    }

    private String piece() {
        return PIECES.get(random.nextInt(PIECES.size()));
    }
}
