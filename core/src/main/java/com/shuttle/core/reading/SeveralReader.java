package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Reads one message for several things at once. Each kind of value is looked for in turn, from the kind that is easiest
 * to tell to the hardest; what one kind takes is blanked out for the next, so that an hour is no head count and a
 * name is never read out of an address. Among slots of one kind the words around a value decide, then the order.
 * Careful rather than complete: a slot that the message does not clearly fill is left out. Thread-safe; holds no state.
 */
public final class SeveralReader {

    private final Map<ValueType, List<Slot>> slots = new EnumMap<>(ValueType.class);
    private final Context context;
    private final Meaning meaning;
    private final Map<String, Reading> read = new LinkedHashMap<>();
    private final String whole;
    private StringBuilder text;

    private SeveralReader(String text, List<Slot> slots, Context context, Meaning meaning) {
        this.whole = text;
        this.text = new StringBuilder(text);
        slots.forEach(slot -> this.slots
                .computeIfAbsent(slot.type(), type -> new ArrayList<>())
                .add(slot));
        this.context = context;
        this.meaning = meaning;
    }

    /**
     * What the message says of each slot.
     *
     * @return by slot name; {@link Reading.Given} or {@link Reading.Unclear} only, no entry where nothing is said
     */
    public static Map<String, Reading> read(String text, List<Slot> slots, Context context, Meaning meaning) {
        if (text.isBlank() || slots.isEmpty()) {
            return Map.of();
        }
        SeveralReader reader = new SeveralReader(InQuestions.without(Words.readable(text)), slots, context, meaning);
        reader.read();
        return reader.read;
    }

    /** Whether the words of a message name a slot ("the email is wrong"). */
    public static boolean names(String text, Slot slot) {
        List<String> words = Cues.words(Words.readable(text));
        Set<String> cues = new HashSet<>(slot.words().cues());
        String usual = switch (slot.type()) {
            case EMAIL -> "email mail address e-mail";
            case PHONE -> "phone number mobile telephone";
            case PERSON_NAME -> "name";
            case DATE -> "date day";
            case TIME -> "time";
            case MONEY -> "budget price amount";
            default -> "";
        };
        cues.addAll(List.of(usual.split(" ")));
        return words.stream().anyMatch(cues::contains);
    }

    /** Whether a slot asks how many people there are. */
    public static boolean countsPeople(Slot slot) {
        return slot.words().countsPeople();
    }

    private void read() {
        take(EmailReader.find(rest()), ValueType.EMAIL);
        take(UrlReader.find(rest()), ValueType.URL);
        take(PhoneReader.find(rest(), context), ValueType.PHONE);
        new MoneySlots(this).read();
        new WhenSlots(this).read();
        OptionSlots options = new OptionSlots(this, meaning);
        options.read();
        new NumberSlots(this).read();
        new YesNoSlots(this).read();
        options.blank();
        new PlaceSlots(this).read();
        List<Mention> companies = CompanyReader.find(rest());
        take(companies, ValueType.COMPANY);
        new NameSlots(this).read();
    }

    /** The message with what was taken so far blanked out; as long as the whole. */
    String rest() {
        return text.toString();
    }

    String whole() {
        return whole;
    }

    Context context() {
        return context;
    }

    /** The slots of a kind, in their order. */
    List<Slot> slots(ValueType type) {
        return slots.getOrDefault(type, List.of());
    }

    boolean isRead(Slot slot) {
        return read.containsKey(slot.name());
    }

    void put(Slot slot, Reading reading) {
        if (!(reading instanceof Reading.Nothing)) {
            read.put(slot.name(), reading.within(whole.length()));
        }
    }

    void put(Slot slot, Mention mention) {
        put(
                slot,
                mention.clear()
                        ? new Reading.Given(mention.values().getFirst(), mention.start(), mention.end())
                        : mention.values().isEmpty()
                                ? Reading.NOTHING
                                : new Reading.Unclear(mention.values(), mention.start(), mention.end()));
    }

    void blank(List<Mention> mentions) {
        for (Mention mention : mentions) {
            for (int i = mention.start(); i < Math.min(text.length(), mention.end()); i++) {
                text.setCharAt(i, '§');
            }
        }
    }

    /** Fills the slots of a type from its mentions and blanks those. */
    private void take(List<Mention> mentions, ValueType type) {
        assign(mentions, slots(type));
        blank(mentions);
    }

    /**
     * Fills slots of one type: a single one from what stands after denials and corrections, several each from the mention
     * that its cues point to, and those without cues in order.
     */
    void assign(List<Mention> mentions, List<Slot> wanted) {
        if (wanted.isEmpty() || mentions.isEmpty()) {
            return;
        }
        if (wanted.size() == 1) {
            put(wanted.getFirst(), Settling.reading(whole, mentions));
            return;
        }
        List<Mention> open = new ArrayList<>(mentions);
        List<Slot> unfilled = new ArrayList<>();
        for (Slot slot : wanted) {
            Mention best = null;
            int bestScore = 0;
            for (Mention mention : open) {
                int score = Cues.score(whole, mention, mentions, slot.words().cues());
                if (score > bestScore) {
                    bestScore = score;
                    best = mention;
                }
            }
            if (best == null || betterElsewhere(best, bestScore, slot, wanted, mentions)) {
                unfilled.add(slot);
            } else {
                open.remove(best);
                put(slot, best);
            }
        }
        open.removeIf(mention -> Settling.denied(whole, mention));
        if (open.size() == unfilled.size() || unfilled.size() == wanted.size()) {
            for (int i = 0; i < Math.min(open.size(), unfilled.size()); i++) {
                put(unfilled.get(i), open.get(i));
            }
        }
    }

    private boolean betterElsewhere(Mention mention, int score, Slot than, List<Slot> wanted, List<Mention> all) {
        return wanted.stream()
                .filter(slot -> slot != than && !isRead(slot))
                .anyMatch(slot -> Cues.score(whole, mention, all, slot.words().cues()) > score);
    }
}
