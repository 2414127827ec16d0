package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Finds email addresses, also spelled out ("dana at example dot org") or with a comma typed for a point before the
 * top-level domain. Keeps the case of the local part.
 */
final class EmailReader {

    private static final Pattern ADDRESS = Pattern.compile(
            "(?<![\\p{L}\\p{N}._%+'-])[\\p{L}\\p{N}._%+'-]++\\s?@\\s?[\\p{L}\\p{N}-]+(?:\\s?\\.\\s?[\\p{L}\\p{N}-]+)*(?:[.,][\\p{L}]{2,24})");
    private static final String DOT = "(?:\\s*\\.\\s*|\\s+dot\\s+|\\s*[\\[({]\\s*dot\\s*[\\])}]\\s*)";
    private static final String AT = "(?:\\s+at\\s+|\\s*[\\[({]\\s*(?:at|@)\\s*[\\])}]\\s*|\\s*@\\s*)";
    private static final String PART = "[\\p{L}\\p{N}_+-]++";
    private static final Pattern SPELLED = Pattern.compile(
            "(?<![\\p{L}\\p{N}_+-])(" + PART + "(?:(?:" + DOT + "|\\s+(?:plus|underscore|dash|hyphen)\\s+)" + PART
                    + "){0,8})" + AT + "(" + PART + "(?:" + DOT + PART + "){1,8})",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern LEAD = Pattern.compile(
            "^(?:(?:it'?s|its|is|email|e-?mail|mail|address|me|my|on|write|to|the|use|and)\\s+)+",
            Pattern.CASE_INSENSITIVE);

    private EmailReader() {}

    static Reading read(String text) {
        return Settling.reading(text, find(text));
    }

    static List<Mention> find(String text) {
        List<Mention> found = new ArrayList<>();
        Matcher plain = ADDRESS.matcher(text);
        while (plain.find()) {
            String bare = plain.group().replaceAll("\\s", "");
            String address = valid(bare.replaceAll(",(?=\\p{L}+$)", "."));
            int end = plain.end();
            if (address == null) {
                Matcher shorter = Pattern.compile("^[^@]+@[^\\s,]+").matcher(plain.group());
                address = shorter.find() ? valid(shorter.group()) : null;
                end = address == null ? end : plain.start() + shorter.end();
            }
            if (address != null) {
                found.add(Mention.of(new Value.Text(address), plain.start(), end));
            }
        }
        if (!found.isEmpty()) {
            return found;
        }
        Matcher spelled = SPELLED.matcher(text);
        while (spelled.find()) {
            String local = LEAD.matcher(spelled.group(1)).replaceFirst("");
            String address = valid(plain(local) + "@" + plain(spelled.group(2)));
            if (address != null) {
                found.add(Mention.of(new Value.Text(address), spelled.end(1) - local.length(), spelled.end()));
            }
        }
        return found;
    }

    private static String plain(String spelled) {
        return spelled.replaceAll("(?i)" + DOT, ".")
                .replaceAll("(?i)\\s+plus\\s+", "+")
                .replaceAll("(?i)\\s+underscore\\s+", "_")
                .replaceAll("(?i)\\s+(?:dash|hyphen)\\s+", "-")
                .replace(" ", "");
    }

    private static @Nullable String valid(String address) {
        String bare = address.replaceAll("^[.'-]+", "").replaceAll("[.'-]+$", "");
        if (!EmailAddress.isValid(bare)) {
            return null;
        }
        int at = bare.lastIndexOf('@');
        return bare.substring(0, at) + bare.substring(at).toLowerCase(Locale.ROOT);
    }
}
