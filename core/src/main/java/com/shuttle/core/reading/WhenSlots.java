package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Days, times of day and both together among several things. */
final class WhenSlots {

    private final SeveralReader reader;
    private final String text;

    WhenSlots(SeveralReader reader) {
        this.reader = reader;
        this.text = reader.rest();
    }

    void read() {
        List<Slot> days = reader.slots(ValueType.DATE);
        List<Slot> times = reader.slots(ValueType.TIME);
        List<Slot> moments = reader.slots(ValueType.DATE_TIME);
        Tokens tokens = Tokens.of(text);
        List<Mention> dates = DateReader.find(tokens, reader.context(), false);
        List<Mention> clocks = DateTimeReader.apart(TimeReader.find(tokens, reader.context(), false), dates);
        List<Mention> openDates = new ArrayList<>(dates);
        List<Mention> openClocks = new ArrayList<>(clocks);
        if (!moments.isEmpty()) {
            moments(tokens, moments, openDates, openClocks, days.isEmpty());
        }
        if (!days.isEmpty()) {
            dates(tokens, days, openDates);
        }
        if (!times.isEmpty()) {
            spread(openClocks, times);
        }
        reader.blank(dates);
        reader.blank(clocks);
    }

    /** The day nearest to each time, joined with it. */
    private void moments(
            Tokens tokens, List<Slot> moments, List<Mention> dates, List<Mention> clocks, boolean dayOnlyCounts) {
        List<Mention> joined = new ArrayList<>();
        if (clocks.isEmpty() || dates.isEmpty()) {
            List<Mention> whole = DateTimeReader.find(tokens, reader.context(), false);
            reader.assign(whole, moments);
            if (!whole.isEmpty()) {
                dates.clear();
                clocks.clear();
            }
            return;
        }
        for (Mention clock : List.copyOf(clocks)) {
            Mention near = dates.stream()
                    .min(Comparator.comparingInt(date -> distance(date, clock)))
                    .orElse(null);
            if (near == null || distance(near, clock) > 60) {
                continue;
            }
            int from = Math.min(near.start(), clock.start());
            int to = Math.max(near.end(), clock.end());
            int lead = Math.max(0, from - 4);
            String blanked = " ".repeat(lead) + text.substring(lead, to);
            for (Mention found : DateTimeReader.find(Tokens.of(blanked), reader.context(), false)) {
                joined.add(found);
                dates.remove(near);
                clocks.remove(clock);
            }
        }
        reader.assign(joined, moments);
    }

    private static int distance(Mention a, Mention b) {
        return a.start() < b.start() ? b.start() - a.end() : a.start() - b.end();
    }

    private void dates(Tokens tokens, List<Slot> days, List<Mention> open) {
        boolean past = days.stream().anyMatch(slot -> slot.words().past());
        if (past && days.size() == 1) {
            List<Mention> behind = DateReader.find(tokens, reader.context(), true);
            behind.removeIf(mention -> open.stream().noneMatch(other -> other.start() == mention.start()));
            reader.assign(behind, days);
        } else {
            spread(open, days);
        }
    }

    /** A range fills two slots from its ends; otherwise as usual. */
    private void spread(List<Mention> mentions, List<Slot> wanted) {
        List<Mention> standing = Settling.standing(text, mentions);
        if (wanted.size() == 2
                && standing.size() == 1
                && standing.getFirst().range()
                && standing.getFirst().values().size() == 2) {
            Mention range = standing.getFirst();
            reader.put(wanted.getFirst(), Mention.of(range.values().getFirst(), range.start(), range.end()));
            reader.put(wanted.getLast(), Mention.of(range.values().getLast(), range.start(), range.end()));
        } else {
            reader.assign(mentions, wanted);
        }
    }
}
