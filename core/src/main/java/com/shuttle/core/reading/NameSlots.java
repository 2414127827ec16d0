package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Persons' names among several things: introduced, or a part of the message that is nothing but words that look like a
 * name.
 */
final class NameSlots {

    private static final Pattern PARTS = Pattern.compile(
            "[,;:\\n!?()\"/|§]+|\\s[-–—]+\\s|[–—]|\\.(?=\\s|$)(?<!\\b\\p{L}\\.)|\\s(?:from|at|of|but|and|here|for|with|is)(?=\\s|$)|^(?:from|for)\\s");

    private final SeveralReader reader;

    NameSlots(SeveralReader reader) {
        this.reader = reader;
    }

    void read() {
        List<Slot> wanted = reader.slots(ValueType.PERSON_NAME);
        if (wanted.isEmpty()) {
            return;
        }
        String text = reader.rest();
        if (wanted.size() == 1) {
            Reading introduced = NameReader.introduced(text.replace('§', ';'));
            if (introduced instanceof Reading.Given given
                    && given.value().shown().length() > 1
                    && (!InQuestions.isAsked(text, given.start())
                            || OwnNames.isIntroduced(text, given.start(), true))) {
                reader.put(wanted.getFirst(), given);
                return;
            }
        }
        reader.assign(names(text), wanted);
    }

    private List<Mention> names(String text) {
        List<Mention> found = new ArrayList<>();
        // In lower case a name looks like any words, but beside an address it hardly is anything else.
        boolean lowerCase = reader.whole().equals(reader.whole().toLowerCase(java.util.Locale.ROOT))
                && (reader.whole().indexOf('@') >= 0 || Words.of(reader.whole()).size() <= 3);
        Matcher breaks = PARTS.matcher(text);
        int at = 0;
        boolean more = true;
        while (more) {
            more = breaks.find();
            int end = more ? breaks.start() : text.length();
            if (end >= at) {
                Mention mention = name(text, at, end, lowerCase && found.isEmpty());
                if (mention != null) {
                    found.add(mention);
                }
            }
            at = more ? breaks.end() : at;
        }
        return found.isEmpty() || reader.slots(ValueType.PERSON_NAME).size() > 1 ? found : List.of(preferred(found));
    }

    /** A name of two words and more over a single word. */
    private static Mention preferred(List<Mention> found) {
        return found.stream()
                .filter(mention -> mention.values().getFirst().shown().contains(" "))
                .findFirst()
                .orElse(found.getFirst());
    }

    private @Nullable Mention name(String text, int from, int to, boolean lowerCase) {
        String part = text.substring(from, to).strip();
        String name = NameReader.name(part);
        if (name == null
                || CompanyReader.looksLikeOne(name)
                || InQuestions.isAsked(text, Math.max(from, text.indexOf(name, from)))) {
            return null;
        }
        String[] words = Regex.split(name, "\\s+");
        for (String word : words) {
            String lower = word.toLowerCase(java.util.Locale.ROOT);
            if (CalendarWords.weekday(lower) != null && words.length == 1
                    || CalendarWords.month(lower) != null && words.length == 1) {
                return null;
            }
        }
        boolean capitals =
                Character.isUpperCase(words[0].charAt(0)) && Character.isUpperCase(words[words.length - 1].charAt(0));
        boolean acronym = words.length == 1 && words[0].equals(words[0].toUpperCase(java.util.Locale.ROOT));
        boolean titled = NameReader.isTitle(part.split(" ", 2)[0]);
        boolean telling = words.length >= 2
                || titled
                || !acronym
                        && (from == 0
                                        && to < text.length()
                                        && text.substring(to).strip().length() > 3
                                || from > 0);
        if (!(capitals && telling) && !(lowerCase && words.length >= 2 && words.length <= 3)) {
            return null;
        }
        boolean optionWord = Stream.of(ValueType.CHOICE, ValueType.MULTI_CHOICE)
                .flatMap(type -> reader.slots(type).stream())
                .anyMatch(slot -> !OptionMentions.find(name, slot.options()).isEmpty());
        if (optionWord) {
            return null;
        }
        int start = text.indexOf(name, from);
        Reading.Given given = NameReader.given(name, Math.max(from, start), Math.max(from, start) + name.length());
        return Mention.of(given.value(), given.start(), given.end());
    }
}
