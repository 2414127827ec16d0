package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Finds web addresses, with or without a scheme (then https), also spelled out ("example dot com slash shop"). */
final class UrlReader {

    private static final Pattern ADDRESS = Pattern.compile(
            "(?:(https?)://|(?<![\\p{L}\\p{N}@._/-]))((?:[\\p{L}\\p{N}](?:[\\p{L}\\p{N}-]*[\\p{L}\\p{N}])?\\.)+[\\p{L}]{2,24})(?![\\p{L}\\p{N}@-])"
                    + "(:\\d{2,5})?((?:[/?#][^\\s\"<>]*)?)",
            Pattern.CASE_INSENSITIVE);
    private static final Finder SPELLED = Finder.of("\\b(?:dot|slash)\\b");

    private UrlReader() {}

    static Reading read(String text, Context context) {
        List<Mention> found = find(text);
        if (found.isEmpty() && SPELLED.in(text)) {
            String plain = Regex.replaceAll(text, "(?i)\\bw\\s+w\\s+w\\b", "www");
            plain = Regex.replaceAll(plain, "(?i)\\s*\\b(?:dot)\\b\\s*", ".");
            plain = Regex.replaceAll(plain, "(?i)\\s*\\b(?:forward )?slash\\b\\s*", "/");
            plain = Regex.replaceAll(plain, "(?i)\\s+(?:dash|hyphen)\\s+", "-");
            plain = Regex.replaceAll(plain, "(?i)\\s*\\bcolon\\b\\s*", ":");
            List<Mention> spelled = find(plain);
            return spelled.size() == 1
                    ? new Reading.Given(spelled.getFirst().values().getFirst(), 0, text.length())
                    : Reading.NOTHING;
        }
        return Settling.reading(text, found);
    }

    static List<Mention> find(String text) {
        if (text.indexOf('.') < 0) {
            return List.of();
        }
        List<Mention> found = new ArrayList<>();
        Matcher matcher = ADDRESS.matcher(text);
        while (matcher.find()) {
            String address = address(matcher);
            if (address != null) {
                int end = matcher.start() + trimmed(matcher.group()).length();
                found.add(Mention.of(new Value.Text(address), matcher.start(), end));
            }
        }
        return found;
    }

    private static @Nullable String address(Matcher matcher) {
        String host = matcher.group(2).toLowerCase(Locale.ROOT);
        if (!EmailAddress.isDomain(host)) {
            return null;
        }
        String scheme = matcher.group(1) == null ? "https" : matcher.group(1).toLowerCase(Locale.ROOT);
        String port = matcher.group(3) == null ? "" : matcher.group(3);
        return scheme + "://" + host + port + trimmed(matcher.group(4));
    }

    /** Without the punctuation of the sentence around it. */
    private static String trimmed(String path) {
        String bare = Regex.replaceAll(path, "[.,;:!?'*…]+$", "");
        return bare.endsWith(")") && !bare.contains("(") ? bare.substring(0, bare.length() - 1) : bare;
    }
}
