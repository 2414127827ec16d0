package com.shuttle.core.reading;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Reads a person's name: introduced ("my name is …", "I'm …") anywhere, or bare as the reply to the question. */
final class NameReader {

    private static final String NAME = "(\\p{L}[\\p{L}'.-]*(?:\\s+\\p{L}[\\p{L}'.-]*){0,4})";
    private static final Pattern INTRODUCED = Pattern.compile(
            "\\b(?:my name(?:'s| is)|name(?:'s| is| of|:)|i am called|i'?m called|they call me|call me|this is|i am|i'm|it's|it is)\\s+(?:the )?"
                    + NAME,
            Pattern.CASE_INSENSITIVE);
    private static final Pattern FIRM =
            Pattern.compile("\\bname(?:'s| is| of|:)|called|call me", Pattern.CASE_INSENSITIVE);
    private static final Pattern GREETING = Pattern.compile(
            "^(?:hi|hello|hey|hallo|good (?:morning|afternoon|evening)|sure|ok|okay|yes|thanks)[\\s,.!]+",
            Pattern.CASE_INSENSITIVE);
    /** Words that no name goes on past, or that show that the text is not a name at all. */
    private static final Set<String> NOT_NAMES = Set.of(
            "and",
            "but",
            "or",
            "my",
            "the",
            "a",
            "an",
            "is",
            "are",
            "from",
            "at",
            "for",
            "in",
            "on",
            "with",
            "email",
            "mail",
            "phone",
            "number",
            "please",
            "here",
            "looking",
            "interested",
            "wondering",
            "trying",
            "going",
            "coming",
            "not",
            "sure",
            "just",
            "afraid",
            "sorry",
            "happy",
            "calling",
            "asking",
            "what",
            "why",
            "how",
            "who",
            "when",
            "where",
            "you",
            "your",
            "to",
            "of",
            "hello",
            "hi",
            "thanks",
            "yes",
            "no",
            "it",
            "that",
            "this",
            "we",
            "i",
            "want",
            "need",
            "like",
            "would",
            "can",
            "could",
            "about",
            "fine",
            "good",
            "okay",
            "ok",
            "visiting",
            "writing",
            "hoping",
            "planning",
            "bringing",
            "tell",
            "speak",
            "talk",
            "have",
            "has",
            "do",
            "does",
            "very",
            "so",
            "too",
            "there",
            "still",
            "already",
            "also",
            "only",
            "all",
            "some",
            "human",
            "person",
            "agent",
            "nothing",
            "none",
            "nobody",
            "idk",
            "dunno",
            "maybe",
            "skip",
            "later",
            "private",
            "because",
            "if",
            "than",
            "back",
            "tomorrow",
            "tonight",
            "today",
            "now",
            "soon",
            "again",
            "then");

    private NameReader() {}

    static Reading introduced(String text) {
        Matcher matcher = INTRODUCED.matcher(text);
        while (matcher.find()) {
            String name = upToBreak(matcher.group(1));
            boolean firm = FIRM.matcher(matcher.group()).find();
            boolean capital = !name.isEmpty() && Character.isUpperCase(name.charAt(0));
            if (!name.isEmpty() && (firm || capital)) {
                return given(name, matcher.start(1), matcher.start(1) + name.length());
            }
        }
        return Reading.NOTHING;
    }

    /** The whole reply, or its part before a comma, as a name. */
    static Reading bare(String text) {
        String rest = GREETING.matcher(text.strip()).replaceFirst("");
        String first = rest.split("[,;\\n!?]|\\s-\\s|\\.\\s", 2)[0].strip().replaceAll("\\.$", "");
        if (Words.looksLikeQuestion(text)
                && first.equals(rest.replaceAll("[?]+$", "").strip())) {
            return Reading.NOTHING;
        }
        if (!first.matches(NAME)) {
            return Reading.NOTHING;
        }
        List<String> words = Arrays.asList(first.toLowerCase(Locale.ROOT).split("\\s+"));
        if (words.size() > 4 || words.stream().anyMatch(NOT_NAMES::contains)) {
            return Reading.NOTHING;
        }
        int start = Math.max(0, text.indexOf(first));
        return given(first, start, start + first.length());
    }

    private static String upToBreak(String words) {
        StringBuilder name = new StringBuilder();
        for (String word : words.split("\\s+")) {
            if (NOT_NAMES.contains(word.toLowerCase(Locale.ROOT))) {
                break;
            }
            name.append(name.isEmpty() ? "" : " ").append(word);
            if (word.endsWith(".") && word.length() > 3) {
                break;
            }
        }
        return name.toString().replaceAll("[.'-]+$", "");
    }

    private static Reading given(String name, int start, int end) {
        boolean oneCase = name.equals(name.toLowerCase(Locale.ROOT))
                || (name.equals(name.toUpperCase(Locale.ROOT)) && name.length() > 2);
        return new Reading.Given(new Value.Text(oneCase ? titleCase(name) : name), start, end);
    }

    private static String titleCase(String name) {
        return Arrays.stream(name.toLowerCase(Locale.ROOT).split("\\s+"))
                .map(NameReader::capital)
                .collect(Collectors.joining(" "));
    }

    private static String capital(String word) {
        StringBuilder cased = new StringBuilder();
        boolean up = true;
        for (char c : word.toCharArray()) {
            cased.append(up ? Character.toUpperCase(c) : c);
            up = c == '-' || c == '\'';
        }
        return cased.toString();
    }
}
