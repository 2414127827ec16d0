package com.shuttle.core.cue;

import com.shuttle.core.flow.Keyed;
import java.util.List;
import java.util.Locale;

/**
 * Where a cue acts, or does not.
 *
 * @param of    what of the visit is looked at
 * @param how   how it is compared
 * @param value with what, at most {@value #LONGEST} characters; in any case of letters
 * @param not   whether it must not be so
 */
public record Where(Of of, How how, String value, boolean not) {

    public static final int LONGEST = 300;

    /** What is looked at. */
    public enum Of implements Keyed {
        PAGE("the page"),
        REFERRER("where they came from"),
        CAMPAIGN("the campaign"),
        FACT("what the website tells of them"),
        KNOWN("what it remembers of them");

        private final String label;

        Of(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** How it is compared. */
    public enum How implements Keyed {
        EQUALS("is"),
        CONTAINS("contains"),
        PATTERN("is like");

        private final String label;

        How(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public Where {
        value = value == null ? "" : value.toLowerCase(Locale.ROOT);
        if (value.length() > LONGEST) {
            throw new IllegalArgumentException("a value is up to " + LONGEST + " characters long");
        }
    }

    /** Whether it holds. */
    boolean holds(Moment moment) {
        return matches(moment) != not;
    }

    private boolean matches(Moment moment) {
        return switch (of) {
            // What begins with a slash is the path; anything else is compared with the whole address.
            case PAGE -> compares(value.startsWith("/") ? moment.path() : moment.address());
            case REFERRER -> compares(moment.referrer());
            case CAMPAIGN -> compares(moment.campaign());
            case FACT -> any(moment.facts());
            case KNOWN -> any(moment.known());
        };
    }

    private boolean any(List<String> facts) {
        return facts.stream().anyMatch(this::compares);
    }

    private boolean compares(String text) {
        return switch (how) {
            case EQUALS -> text.equals(value);
            case CONTAINS -> text.contains(value);
            case PATTERN -> like(text, value);
        };
    }

    /**
     * Whether a text is like a pattern, in which a star stands for any characters. Greedy with one step back, which takes time
     * in proportion to the product of the lengths at the worst, whatever the pattern.
     */
    static boolean like(String text, String pattern) {
        int t = 0;
        int p = 0;
        int star = -1;
        int from = 0;
        while (t < text.length()) {
            if (p < pattern.length() && pattern.charAt(p) == '*') {
                star = p++;
                from = t;
            } else if (p < pattern.length() && pattern.charAt(p) == text.charAt(t)) {
                p++;
                t++;
            } else if (star >= 0) {
                p = star + 1;
                t = ++from;
            } else {
                return false;
            }
        }
        while (p < pattern.length() && pattern.charAt(p) == '*') {
            p++;
        }
        return p == pattern.length();
    }
}
