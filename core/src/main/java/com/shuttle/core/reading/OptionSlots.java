package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.OptionMatcher.Match;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;

/** Options named in a message about several things. */
final class OptionSlots {

    /** A clause of a message about several things must be nearer to an option than a reply to the question for it. */
    private static final double CLAUSE_MEANT = 0.4;

    private final SeveralReader reader;
    private final List<Mention> taken = new ArrayList<>();
    private final Meaning meaning;

    OptionSlots(SeveralReader reader, Meaning meaning) {
        this.reader = reader;
        this.meaning = meaning;
    }

    void read() {
        for (Slot slot : reader.slots(ValueType.CHOICE)) {
            one(slot);
        }
        for (Slot slot : reader.slots(ValueType.MULTI_CHOICE)) {
            many(slot);
        }
    }

    /** Takes the options named out of the message: their words are nobody's name, though they may say what a number counts. */
    void blank() {
        reader.blank(taken);
    }

    private void one(Slot slot) {
        String text = reader.rest();
        List<Mention> mentions = OptionMentions.find(text, slot.options()).stream()
                .filter(mention -> !inName(text, mention))
                .toList();
        List<Mention> standing = Settling.standing(text, mentions);
        Set<Option> found = new LinkedHashSet<>();
        standing.forEach(mention -> found.add(OptionMentions.option(mention, slot.options())));
        if (found.size() == 1) {
            Option option = found.iterator().next();
            Mention at = standing.getFirst();
            reader.put(slot, new Reading.Given(new Value.Text(option.label()), at.start(), at.end()));
            taken.addAll(mentions);
        } else if (found.size() > 1) {
            reader.put(
                    slot,
                    new Reading.Unclear(
                            found.stream()
                                    .map(o -> (Value) new Value.Text(o.label()))
                                    .toList(),
                            standing.getFirst().start(),
                            standing.getLast().end()));
        } else if (!mentions.isEmpty()) {
            byMeaning(slot, text, mentions);
        }
    }

    private static final Pattern NAME_BEFORE = Pattern.compile("\\p{Lu}[\\p{L}'’-]+ $");

    /** "Oakley Juniors" is a school and no year group. */
    private static boolean inName(String text, Mention mention) {
        return Character.isUpperCase(text.charAt(mention.start()))
                && NAME_BEFORE.matcher(text.substring(0, mention.start())).find()
                && mention.end() - mention.start() < 20;
    }

    /** Where some options were ruled out, another clause may mean one of the rest. */
    private void byMeaning(Slot slot, String text, List<Mention> denied) {
        List<Option> open = slot.options().stream()
                .filter(option -> denied.stream()
                        .noneMatch(m -> OptionMentions.option(m, slot.options()).equals(option)))
                .toList();
        for (String clause : Regex.split(text, "[,.;:!?\\n§]+|\\s(?:and|but)\\s")) {
            List<String> telling = Words.of(clause).stream()
                    .filter(word -> !OptionMatcher.FILLERS.contains(word))
                    .toList();
            if (telling.isEmpty() || telling.size() > 4 || clause.strip().startsWith("not ")) {
                continue;
            }
            if (OptionMatcher.meant(clause.strip(), open, (t, others) -> stern(meaning.nearness(t, others)))
                    instanceof Match.One(Option option, String by)) {
                int at = text.indexOf(clause);
                reader.put(slot, new Reading.Given(new Value.Text(option.label()), at, at + clause.length()));
                return;
            }
        }
    }

    private static double[] stern(double[] near) {
        double[] stern = near.clone();
        for (int i = 0; i < stern.length; i++) {
            stern[i] = stern[i] >= CLAUSE_MEANT ? stern[i] : Math.min(stern[i], OptionMatcher.MEANT - 0.01);
        }
        return stern;
    }

    private void many(Slot slot) {
        String text = reader.rest();
        boolean named = !OptionMentions.find(text, slot.options()).isEmpty();
        boolean all = Regex.matches(
                text, "(?is).*\\b(?:all of (?:them|those|these)|everything|the lot|all (?:three|four|five|two))\\b.*");
        if (named || all) {
            reader.put(slot, ManyReader.read(text, slot.options(), Meaning.NONE));
            taken.addAll(OptionMentions.find(text, slot.options()));
        }
    }
}
