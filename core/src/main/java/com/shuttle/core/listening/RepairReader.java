package com.shuttle.core.listening;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.OptionsSaid;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.UsualHours;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Reads which known values a message repairs. In this order, the first that gives any: by so much more or less; options of
 * what was chosen, taken out, put in or exchanged; a value whose owner is named or whose old value is denied; values read
 * from the whole message for everything known, asked and still to come, so that each value goes to whom its words point to;
 * and, where a strong mark says that something was wrong, the value alone for the latest known thing it fits, numbers first
 * where it is a bare number. A question repairs nothing unless it is marked strongly. Pure function.
 */
public final class RepairReader {

    private static final Finder ADDS = Finder.of("\\b(?:add|also|too|as well|plus|and|another|in addition)\\b");
    private static final Finder ONLY = Finder.of("\\b(?:only|just|nothing but)\\b");
    private static final Finder CHANGES = Finder.of(
            "\\b(?:rather|prefer|change|switch|swap|instead|actually|sorry|oops|wait|meant|mean|make (?:it|that)|after all)\\b|^\\W*no\\b");
    private static final Pattern LETTERS = Pattern.compile(
            "^\\W*(?:(?:it'?s|that'?s|sorry|no|actually|spelled|spelt)[\\s,]+)*+(\\p{L}[\\p{L}'-]+) with (?:an?|one|two|double|no)\\b.*",
            Pattern.CASE_INSENSITIVE | Pattern.DOTALL);
    private static final Pattern NUMBER =
            Pattern.compile("(?i)\\W*(?:\\d{1,4}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\\W*");
    /** All of them are counted, and not some of them. */
    private static final Finder COUNTED = Finder.of(
            "\\b(?:we(?:'re| are|'ll be| will be)|there(?:'s|'re| are| is|'ll be| will be)|of us|in total|altogether|in all)\\b(?! \\d+ of)");

    private static final Pattern SPELLED =
            Pattern.compile("\\bis (?:spelled|spelt|written)\\b", Pattern.CASE_INSENSITIVE);

    private static final Pattern CLAUSES =
            Pattern.compile("[,;.!?]\\s*(?:and\\s+)?|\\s+and (?=my|the|our|can|could|is|it)");

    /** A clause of more words says more than a value. */
    private static final int MOST_WORDS = 6;

    private final String text;
    private final Marks marks;
    private final double correcting;

    /** From here on it is likelier than not that a message corrects something. */
    private static final double EVEN = 0.5;

    private final List<Known> known;
    private final List<Slot> open;
    private final @Nullable Slot pending;
    private final Context context;
    private final Meaning meaning;

    private RepairReader(
            String text,
            List<Known> known,
            List<Slot> open,
            @Nullable Slot pending,
            double correcting,
            Context context,
            Meaning meaning) {
        this.text = SPELLED.matcher(text).replaceAll("is");
        this.marks = Marks.of(text).by(correcting);
        this.correcting = correcting;
        this.known = known;
        this.open = open;
        this.pending = pending;
        this.context = context;
        this.meaning = meaning;
    }

    /**
     * What a message repairs.
     *
     * @param known   what is known, the latest first
     * @param open    what is still to be asked
     * @param pending what is being asked; null for nothing or something without a type
     * @param correcting how likely the message corrects something, 0 to 1; -1 where that is not known
     * @return none where the message says nothing of what is known; never a value that is known already
     */
    public static List<Repair> read(
            String text,
            List<Known> known,
            List<Slot> open,
            @Nullable Slot pending,
            double correcting,
            Context context,
            Meaning meaning) {
        return known.isEmpty() || text.isBlank()
                ? List.of()
                : new RepairReader(text, known, open, pending, correcting, context, meaning).read();
    }

    /** Whether a message bears marks of mending something. */
    public static boolean isMarked(String text) {
        Marks marks = Marks.of(text);
        return marks.strong() || marks.weak();
    }

    /** A message without the marks of mending something and without what it denies. */
    public static String unmarked(String text) {
        return Marks.of(text).rest();
    }

    private List<Repair> read() {
        if (asks() && !marks.strong()) {
            return List.of();
        }
        List<Repair> deltas = pending != null && pending.type() == ValueType.NUMBER && !marks.strong()
                ? List.of()
                : Deltas.read(text, known).map(List::of).orElse(List.of());
        if (!deltas.isEmpty()) {
            return deltas;
        }
        List<Repair> options = options();
        if (!options.isEmpty()) {
            return options;
        }
        List<Repair> aimed = aimed();
        if (!aimed.isEmpty()) {
            return aimed;
        }
        List<Repair> together = together();
        return together.isEmpty() && marks.strong() ? alone() : together;
    }

    private boolean asks() {
        return text.strip().endsWith("?") || Words.looksLikeQuestion(text);
    }

    private static boolean isChoice(Slot slot) {
        return slot.type() == ValueType.CHOICE || slot.type() == ValueType.MULTI_CHOICE;
    }

    // Options

    private List<Repair> options() {
        boolean answers = pending != null
                && isChoice(pending)
                && !OptionsSaid.of(text, pending.options()).wanted().isEmpty();
        List<Repair> repairs = new ArrayList<>();
        for (Known one : answers ? List.<Known>of() : known) {
            OptionsSaid said =
                    isChoice(one.slot()) ? OptionsSaid.of(text, one.slot().options()) : null;
            if (said != null && !(said.wanted().isEmpty() && said.denied().isEmpty())) {
                Value after = one.value() instanceof Value.Many(List<String> before)
                        ? many(one.slot(), before, said)
                        : chosen(said);
                if (after != null && !after.equals(one.value())) {
                    repairs.add(new Repair(one.slot().name(), after, Repair.OPTION));
                }
            }
        }
        return repairs;
    }

    private @Nullable Value chosen(OptionsSaid said) {
        boolean changes = marks.strong()
                || marks.weak()
                || CHANGES.in(text)
                || !said.denied().isEmpty();
        return changes && said.wanted().size() == 1
                ? new Value.Text(said.wanted().getFirst().label())
                : null;
    }

    private @Nullable Value many(Slot slot, List<String> before, OptionsSaid said) {
        Set<String> after = new LinkedHashSet<>(before);
        said.denied().forEach(option -> after.remove(option.label()));
        boolean afresh = said.denied().isEmpty() && !ADDS.in(text) || ONLY.in(text);
        if (!said.wanted().isEmpty()) {
            if (said.denied().isEmpty() && !ADDS.in(text) && !CHANGES.in(text)) {
                return null;
            }
            if (afresh) {
                after.clear();
            }
            said.wanted().forEach(option -> after.add(option.label()));
        }
        return new Value.Many(slot.options().stream()
                .map(Option::label)
                .filter(after::contains)
                .toList());
    }

    // Values

    /** Whose name is said, or whose value is denied. */
    private List<Repair> aimed() {
        for (Known one : known) {
            boolean denied = marks.denied().stream().anyMatch(words -> reads(one, words));
            boolean named = !isChoice(one.slot()) && SeveralReader.names(text, one.slot());
            if (!denied && !(named && (marks.strong() || marks.weak() || tellsOf(one.slot())))) {
                continue;
            }
            Value after = value(one.slot());
            if (after != null && !after.equals(one.value())) {
                return List.of(new Repair(
                        one.slot().name(),
                        Completing.inPlaceOf(text, one.value(), after, context),
                        denied ? Repair.DENIED : Repair.NAMED));
            }
        }
        return spelled();
    }

    /** Whether a message that names a slot can be meant to tell it anew, though nothing is said to be wrong. */
    private boolean tellsOf(Slot slot) {
        // "One pupil with a wheelchair" counts another thing than all of them.
        boolean counts =
                slot.type() != ValueType.NUMBER || Words.of(text).size() <= 3 || COUNTED.in(text.replace('’', '\''));
        return counts && (pending == null || pending.type() != slot.type());
    }

    private boolean reads(Known one, String words) {
        return read(one.slot(), words) instanceof Reading.Given given
                && given.value().equals(one.value());
    }

    private @Nullable Value value(Slot slot) {
        Reading among =
                SeveralReader.read(text, List.of(slot), context, meaning).get(slot.name());
        if (among instanceof Reading.Given given) {
            return given.value();
        }
        String words = Regex.replaceFirst(marks.rest(), "(?i)^.*\\b(?:should be|is|to|be)\\s+", "");
        for (String part : List.of(marks.rest(), words)) {
            if (UsualHours.of(read(slot, part)) instanceof Reading.Given given) {
                return given.value();
            }
        }
        return null;
    }

    private Reading read(Slot slot, String words) {
        return words.isBlank() || isChoice(slot) || slot.type().free()
                ? Reading.NOTHING
                : Reader.reply(slot.type(), words, context, slot.options(), meaning);
    }

    /** "Marlowe with an e": the part of a known name that is most like it. */
    private List<Repair> spelled() {
        var letters = LETTERS.matcher(text.replace('’', '\''));
        if (!letters.matches()) {
            return List.of();
        }
        String word = Words.normal(letters.group(1));
        for (Known one : known) {
            if (one.slot().type() != ValueType.PERSON_NAME) {
                continue;
            }
            String[] parts = one.value().shown().split(" ");
            for (int i = 0; i < parts.length; i++) {
                if (Words.distance(word, Words.normal(parts[i]), 2) <= 2) {
                    String said = Character.toUpperCase(word.charAt(0)) + word.substring(1);
                    return List.of(new Repair(
                            one.slot().name(), Completing.inName(one.value().shown(), said), "spelled"));
                }
            }
        }
        return List.of();
    }

    /** "No kit sadly" is nobody's name: one in small letters wants a message that likely corrects something. */
    private boolean isHardlyOne(String words, Reading.Given given) {
        return correcting >= 0
                && correcting < EVEN
                && given.start() < words.length()
                && Character.isLowerCase(words.charAt(given.start()));
    }

    /** Each value to whom its words point, among all that is known, asked and to come. */
    private List<Repair> together() {
        Map<String, Slot> slots = new LinkedHashMap<>();
        if (pending != null) {
            slots.put(pending.name(), pending);
        }
        known.forEach(one -> slots.putIfAbsent(one.slot().name(), one.slot()));
        open.forEach(slot -> slots.putIfAbsent(slot.name(), slot));
        String words = marks.strong() ? marks.rest() : text;
        Map<String, Reading> read = SeveralReader.read(words, List.copyOf(slots.values()), context, meaning);
        boolean answers = pending != null
                && (read.get(pending.name()) instanceof Reading.Given
                        || pending.type().free()
                        || !(reply(pending) instanceof Reading.Nothing));
        List<Repair> repairs = new ArrayList<>();
        for (Known one : known) {
            Slot slot = one.slot();
            boolean sure = marks.strong()
                    || (marks.weak() || tells(slot.type())) && !answers
                    || slot.type() == ValueType.EMAIL;
            boolean counted = slot.type() != ValueType.NUMBER || COUNTED.in(text.replace('’', '\''));
            boolean allowed = marks.strong() || marks.weak() || !byName(slot.type()) && counted;
            if (sure
                    && allowed
                    && !isChoice(slot)
                    && UsualHours.of(read.getOrDefault(slot.name(), Reading.NOTHING), words)
                            instanceof Reading.Given given
                    && !given.value().equals(one.value())
                    && !(byName(slot.type()) && isHardlyOne(words, given))) {
                repairs.add(new Repair(
                        slot.name(),
                        Completing.inPlaceOf(text, one.value(), given.value(), context),
                        Repair.TOLD_ANEW));
            }
        }
        return repairs;
    }

    /** What the message says to what is being asked; anything at all is enough for it to be no repair unless it is marked. */
    private Reading reply(Slot slot) {
        return Reader.reply(slot.type(), text, context, slot.options(), Meaning.NONE);
    }

    private static boolean byName(ValueType type) {
        return type == ValueType.PERSON_NAME || type == ValueType.COMPANY || type == ValueType.PLACE || type.free();
    }

    /** Whether a value of a type is unlikely to stand in a message by chance. */
    private static boolean tells(ValueType type) {
        return switch (type) {
            case EMAIL, PHONE, DATE, DATE_TIME, TIME, MONEY, URL, NUMBER -> true;
            default -> false;
        };
    }

    /** The value alone, for the latest that it fits; beside other clauses the first that is hardly more than a value. */
    private List<Repair> alone() {
        return Stream.of(CLAUSES.split(marks.rest()))
                .filter(clause -> {
                    int words = Words.of(clause).size();
                    return words > 0 && words <= MOST_WORDS;
                })
                .limit(1)
                .flatMap(clause -> alone(clause).stream())
                .toList();
    }

    private List<Repair> alone(String words) {
        boolean number = NUMBER.matcher(words).matches();
        List<Known> order = new ArrayList<>(known);
        if (number) {
            order.sort((a, b) -> Boolean.compare(
                    b.slot().type() == ValueType.NUMBER, a.slot().type() == ValueType.NUMBER));
        }
        for (Known one : order) {
            ValueType type = one.slot().type();
            if (byName(type) || type == ValueType.YES_NO || isChoice(one.slot())) {
                continue;
            }
            if (number && (type == ValueType.MONEY || type == ValueType.TIME)) {
                continue;
            }
            if (UsualHours.of(read(one.slot(), words)) instanceof Reading.Given given
                    && !given.value().equals(one.value())) {
                Value after = Completing.inPlaceOf(text, one.value(), given.value(), context);
                return List.of(new Repair(one.slot().name(), after, "the latest it fits"));
            }
        }
        return List.of();
    }
}
