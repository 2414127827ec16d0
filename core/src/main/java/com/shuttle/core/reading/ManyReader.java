package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.reading.OptionMatcher.Match;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads which of several options are wanted: named one after the other, by position ("the first two", "1 and 3"), all,
 * all but some, or none. Parts of the message that name none by its words are matched by meaning.
 */
final class ManyReader {

    private static final Pattern ALL = Pattern.compile(
            "(?<!for )(?<!after )(?<!at )(?<!us )(?<!that's )(?<!thats )(?<!that is )(?<!be )\\b(?:all(?: (?:of (?:them|those|these|it|the above)|two|three|four|five|six))?|everything|anything(?= but)|the (?:whole )?lot|every one"
                    + "|each of them|any of (?:them|these))\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern BUT = Pattern.compile(
            "\\b(?:except(?: for)?|but not|apart from|bar|excluding|other than|without|minus|not|but no|save|but)\\b",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern NONE = Pattern.compile(
            "^\\W*(?:(?:that'?s|that is|that'?ll be|that will be) (?:all|it|everything)|no|none|nope|nothing|neither|not any|none of (?:them|these|those|the above)|no thanks?|no thank you|nah|n/?a|nil)\\b(?!\\s+\\w+\\s+\\w+\\s+\\w+\\s+\\w+).*$",
            Pattern.CASE_INSENSITIVE | Pattern.DOTALL);
    /** Nothing is wanted, whatever else is said. */
    private static final Finder OWN = Finder.of(
            "\\b(?:bring(?:ing)? (?:our|my|some|along|sandwiches|a picnic)|(?:our|my) own|rather not|don'?t (?:need|want) (?:any|anything)"
                    + "|(?:we|i)(?:'re| are|'m| am) (?:fine|good|all set)|not (?:today|now|really|this time)|we have everything)\\b");

    /** Words of an option that stands for none of the others. */
    private static final Pattern NO_OPTION =
            Pattern.compile("^\\W*(?:no|none|nothing|neither)\\b.*", Pattern.CASE_INSENSITIVE | Pattern.DOTALL);

    private static final Pattern FIRST_FEW =
            Pattern.compile("\\b(first|last|top|bottom)\\s+(two|three|four|five|2|3|4|5)\\b", Pattern.CASE_INSENSITIVE);
    private static final Pattern PARTS =
            Pattern.compile("[,;/&+\\n]|\\s(?:and|plus|or|also|as well as|with)\\s", Pattern.CASE_INSENSITIVE);

    private ManyReader() {}

    /** As {@link Value.Many} of labels in the options' order; empty for "none". */
    static Reading read(String text, List<Option> options, Meaning meaning) {
        // Whoever is in a hurry leaves the mark out.
        boolean question = text.strip().endsWith("?") || InQuestions.asks(text) && !InQuestions.asksFor(text);
        if (question || Words.of(text).isEmpty()) {
            return Reading.NOTHING;
        }
        OptionsSaid said = OptionsSaid.of(text, options);
        boolean named = !said.wanted().isEmpty() || !said.denied().isEmpty();
        if (!named && (NONE.matcher(text).matches() || OWN.in(text))) {
            return new Reading.Given(new Value.Many(List.of()), 0, text.length());
        }
        Set<Option> chosen = new LinkedHashSet<>();
        Matcher all = ALL.matcher(text);
        if (all.find()) {
            Matcher but = BUT.matcher(text.substring(all.end()));
            boolean without = but.find();
            options.stream().filter(option -> !isNone(option)).forEach(chosen::add);
            said.denied().forEach(chosen::remove);
            String rest = without ? text.substring(all.end() + but.end()) : "";
            if (said.denied().isEmpty() && !Words.of(rest).isEmpty()) {
                if (OptionMatcher.position(Words.of(rest), options) instanceof Match.One(Option option, String by)) {
                    chosen.remove(option);
                } else {
                    Match meant = OptionMatcher.meant(rest, options, meaning);
                    if (meant instanceof Match.One(Option option, String by)) {
                        chosen.remove(option);
                    } else if (meant instanceof Match.None) {
                        return Reading.NOTHING;
                    }
                }
            }
            return given(chosen, options, text);
        }
        Matcher few = FIRST_FEW.matcher(text);
        if (!named && few.find()) {
            int count = "two three four five".indexOf(few.group(2).toLowerCase(java.util.Locale.ROOT)) >= 0
                    ? List.of("two", "three", "four", "five")
                                    .indexOf(few.group(2).toLowerCase(java.util.Locale.ROOT))
                            + 2
                    : Integer.parseInt(few.group(2));
            boolean last = Regex.matches(few.group(1), "(?i)last|bottom");
            if (count <= options.size()) {
                chosen.addAll(
                        last ? options.subList(options.size() - count, options.size()) : options.subList(0, count));
                return given(chosen, options, text);
            }
        }
        if (!named
                && Regex.matches(text, "(?is)\\W*(?:i'd like |i want )?both(?: of (?:them|those))?\\W*(?:please)?\\W*")
                && options.size() == 2) {
            return given(new LinkedHashSet<>(options), options, text);
        }
        chosen.addAll(said.wanted());
        for (String part : PARTS.split(text)) {
            String bare = part.strip();
            List<String> telling = Words.of(bare).stream()
                    .filter(word -> !OptionMatcher.FILLERS.contains(word))
                    .toList();
            if (telling.isEmpty() && !Regex.matches(bare, ".*\\d.*")
                    || !OptionMentions.find(bare, options).isEmpty()) {
                continue;
            }
            Match match = OptionMatcher.position(Words.of(bare), options);
            if (match instanceof Match.None) {
                match = Words.looksLikeQuestion(text) ? match : OptionMatcher.meant(bare, options, meaning);
            }
            if (match instanceof Match.One(Option option, String by)
                    && !said.denied().contains(option)) {
                chosen.add(option);
            }
        }
        boolean opinion = Words.looksLikeQuestion(text) && said.wanted().isEmpty();
        if (chosen.isEmpty() && !said.denied().isEmpty() && !opinion) {
            return new Reading.Given(new Value.Many(List.of()), 0, text.length());
        }
        return chosen.isEmpty() || opinion ? Reading.NOTHING : given(chosen, options, text);
    }

    private static boolean isNone(Option option) {
        return NO_OPTION.matcher(option.label()).matches();
    }

    private static Reading given(Set<Option> chosen, List<Option> options, String text) {
        List<String> labels = new ArrayList<>();
        if (chosen.stream().anyMatch(option -> !isNone(option))) {
            chosen.removeIf(ManyReader::isNone);
        }
        options.stream().filter(chosen::contains).forEach(option -> labels.add(option.label()));
        return new Reading.Given(new Value.Many(labels), 0, text.length());
    }
}
