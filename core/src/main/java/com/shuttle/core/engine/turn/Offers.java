package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Value;
import java.math.BigDecimal;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;

/** What can be picked by hand in place of typing. Pure functions. */
public final class Offers {

    /** Leaves an optional question out. */
    public static final String SKIP = "skip";

    public static final String YES = "yes";
    public static final String NO = "no";

    private static final int MOST_MARKS = 11;

    private Offers() {}

    public static List<Offer> of(List<Option> options) {
        return options.stream()
                .filter(option -> !option.label().isBlank())
                .map(option -> new Offer(
                        option.id(),
                        option.label(),
                        option.text(),
                        option.group(),
                        option.picture(),
                        option.alt(),
                        option.link()))
                .toList();
    }

    /** The options of a choice as they are now. */
    public static List<Option> options(Choice choice, TurnRun run) {
        return choice.drawn()
                ? DrawnOptions.of(choice, run).stream()
                        .map(DrawnOptions.Drawn::option)
                        .toList()
                : choice.options();
    }

    /** Options as they were offered. */
    public static List<Option> asOffered(List<Offer> offers) {
        return offers.stream()
                .map(offer -> new Option(
                        offer.id(),
                        offer.label(),
                        List.of(),
                        offer.text(),
                        offer.group(),
                        offer.picture(),
                        offer.alt(),
                        offer.link()))
                .toList();
    }

    /** Things to say by a press. */
    public static List<Offer> words(List<String> labels) {
        List<Offer> offers = new ArrayList<>();
        labels.forEach(label -> offers.add(new Offer("w" + (offers.size() + 1), label)));
        return offers;
    }

    /** What a question or fact can be answered with by hand. */
    public static List<Offer> of(Wanted wanted) {
        List<Offer> offers = new ArrayList<>(of(wanted.options()));
        if (wanted.type() == ValueType.YES_NO) {
            offers.add(new Offer(YES, "Yes"));
            offers.add(new Offer(NO, "No"));
        } else if (wanted.type() == ValueType.RATING) {
            for (int mark = lowest(wanted); mark <= highest(wanted) && offers.size() < MOST_MARKS; mark++) {
                offers.add(new Offer(Integer.toString(mark), Integer.toString(mark)));
            }
        }
        if (wanted.optional()) {
            offers.add(new Offer(SKIP, "Skip this"));
        }
        return offers;
    }

    public static int lowest(Wanted wanted) {
        BigDecimal min = wanted.limits().min();
        return min == null ? 1 : min.intValue();
    }

    public static int highest(Wanted wanted) {
        BigDecimal max = wanted.limits().max();
        return max == null ? lowest(wanted) + 4 : max.intValue();
    }

    public static List<Offer> yesNo(String yes, String no) {
        return List.of(new Offer(YES, yes), new Offer(NO, no));
    }

    public static List<Offer> marks(int most) {
        List<Offer> marks = new ArrayList<>();
        for (int mark = 1; mark <= most; mark++) {
            marks.add(new Offer(Integer.toString(mark), Integer.toString(mark)));
        }
        return marks;
    }

    /** Readings to choose from. */
    public static List<Offer> readings(List<Value> values) {
        List<Offer> offers = new ArrayList<>();
        for (Value value : values) {
            offers.add(new Offer("c" + (offers.size() + 1), spoken(value)));
        }
        return offers;
    }

    /** As a visitor reads it, with the part of the day where that tells two times apart. */
    private static String spoken(Value value) {
        return switch (value) {
            case Value.Clock(LocalTime time) -> time + " " + part(time);
            case Value.Moment moment -> value.shown() + " " + part(moment.at().toLocalTime());
            default -> value.shown();
        };
    }

    private static String part(LocalTime time) {
        return time.getHour() < 12 ? "in the morning" : time.getHour() < 18 ? "in the afternoon" : "in the evening";
    }

    /** The place of an option among those offered. */
    public static int index(List<Offer> offers, String option) {
        return offers.stream().map(Offer::id).toList().indexOf(option);
    }
}
