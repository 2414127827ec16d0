package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value.Money;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Amounts of money among several things: marked as such, or a number that a money slot's cue stands before. */
final class MoneySlots {

    private final SeveralReader reader;

    MoneySlots(SeveralReader reader) {
        this.reader = reader;
    }

    void read() {
        List<Slot> wanted = reader.slots(ValueType.MONEY);
        Tokens tokens = Tokens.of(reader.rest());
        List<Mention> found = new ArrayList<>(MoneyReader.find(tokens, reader.context(), false));
        if (found.isEmpty() && !wanted.isEmpty()) {
            for (Mention bare : MoneyReader.find(tokens, reader.context(), true)) {
                boolean led = wanted.stream().anyMatch(slot -> pointsHere(slot, bare)) || isThousands(bare);
                if (led && bare.clear() && bare.values().getFirst() instanceof Money) {
                    found.add(bare);
                }
            }
        }
        reader.assign(found, wanted);
        reader.blank(found);
    }

    /** "5k" is an amount, where nothing says what else it counts. */
    private boolean isThousands(Mention mention) {
        return Regex.matches(
                        reader.rest().substring(mention.start(), mention.end()), "(?is)\\d+(?:\\.\\d+)?\\s?(?:k|grand)")
                && Regex.matches(
                        reader.rest().substring(mention.end()),
                        "(?s)\\s*(?:$|[,.;!?].*|(?:tops|max|at most|or so|and)\\b.*)");
    }

    private boolean pointsHere(Slot slot, Mention mention) {
        Set<String> cues = slot.words().cues();
        String before = reader.rest().substring(Math.max(0, mention.start() - 25), mention.start());
        String clause = Regex.replaceFirst(before, "(?s).*[,.;\\n§]", "");
        return Cues.words(clause).stream()
                .anyMatch(word -> cues.contains(word) || word.equals("budget") || word.equals("price"));
    }
}
