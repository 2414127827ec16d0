package com.shuttle.core.reading;

import java.util.LinkedHashSet;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads one email address, also spelled out ("dana at example dot org"). Keeps the case of its local part. */
final class EmailReader {

    private static final Pattern ADDRESS =
            Pattern.compile("[\\p{L}\\p{N}._%+'-]+\\s?@\\s?[\\p{L}\\p{N}-]+(?:\\.[\\p{L}\\p{N}-]+)+");
    private static final Pattern SPELLED = Pattern.compile(
            "([\\p{L}\\p{N}_+-]+(?:(?:\\.| dot )[\\p{L}\\p{N}_+-]+)*) (?:at|\\(at\\)|\\[at\\]) ([\\p{L}\\p{N}-]+(?:(?:\\.| dot | \\(dot\\) )[\\p{L}\\p{N}-]+)+)",
            Pattern.CASE_INSENSITIVE);

    private EmailReader() {}

    static Reading read(String text) {
        Set<String> found = new LinkedHashSet<>();
        int start = -1;
        int end = -1;
        Matcher plain = ADDRESS.matcher(text);
        while (plain.find()) {
            String address = valid(plain.group().replaceAll("\\s", ""));
            if (address != null && found.add(address)) {
                start = plain.start();
                end = plain.end();
            }
        }
        if (found.isEmpty()) {
            Matcher spelled = SPELLED.matcher(text);
            while (spelled.find()) {
                String address = valid(dots(spelled.group(1)) + "@" + dots(spelled.group(2)));
                if (address != null && found.add(address)) {
                    start = spelled.start();
                    end = spelled.end();
                }
            }
        }
        if (found.isEmpty()) {
            return Reading.NOTHING;
        }
        if (found.size() > 1) {
            return new Reading.Unclear(found.stream()
                    .map(address -> (Value) new Value.Text(address))
                    .toList());
        }
        return new Reading.Given(new Value.Text(found.iterator().next()), start, end);
    }

    private static String dots(String spelled) {
        return spelled.replaceAll("(?i)\\s*\\(dot\\)\\s*|\\s+dot\\s+", ".").replace(" ", "");
    }

    private static @org.jspecify.annotations.Nullable String valid(String address) {
        String bare = address.replaceAll("^[.'-]+", "");
        if (!EmailAddress.isValid(bare)) {
            return null;
        }
        int at = bare.lastIndexOf('@');
        return bare.substring(0, at) + bare.substring(at).toLowerCase(Locale.ROOT);
    }
}
