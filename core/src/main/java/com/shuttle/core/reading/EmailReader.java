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

    private static final Pattern SHORTER = Pattern.compile("^[^@]+@[^\\s,]+");

    private EmailReader() {}

    static Reading read(String text) {
        return Settling.reading(text, find(text));
    }

    static List<Mention> find(String text) {
        if (text.indexOf('@') < 0 && text.indexOf('.') < 0 && !Words.has(text, "dot")) {
            return List.of();
        }
        List<Mention> found = new ArrayList<>();
        Matcher plain = ADDRESS.matcher(text);
        while (plain.find()) {
            String bare = Regex.replaceAll(plain.group(), "\\s", "");
            String address = valid(Regex.replaceAll(bare, ",(?=\\p{L}+$)", "."));
            int end = plain.end();
            if (address == null) {
                Matcher shorter = SHORTER.matcher(plain.group());
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
        String plain = Regex.replaceAll(spelled, "(?i)" + DOT, ".");
        plain = Regex.replaceAll(plain, "(?i)\\s+plus\\s+", "+");
        plain = Regex.replaceAll(plain, "(?i)\\s+underscore\\s+", "_");
        plain = Regex.replaceAll(plain, "(?i)\\s+(?:dash|hyphen)\\s+", "-");
        return plain.replace(" ", "");
    }

    private static @Nullable String valid(String address) {
        String bare = Regex.replaceAll(Regex.replaceAll(address, "^[.'-]+", ""), "[.'-]+$", "");
        if (!EmailAddress.isValid(bare)) {
            return null;
        }
        int at = bare.lastIndexOf('@');
        return bare.substring(0, at) + bare.substring(at).toLowerCase(Locale.ROOT);
    }
}
