package com.shuttle.core.reading;

import com.shuttle.core.flow.ValueType;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Numbers among several things. The thing counted stands after the number, or the slot's name before it. */
final class NumberSlots {

    private static final Pattern OF_PEOPLE_AFTER = Pattern.compile(
            "^\\s*(?:or so )?(?:(?:year|yr)s?\\s?\\d{1,2}s?\\b|(?:\\d{1,2}|three|four|five|six|seven|eight|nine|ten|eleven|twelve)[- ]year[- ]olds?\\b|of us\\b|people\\b|persons?\\b|guests?\\b|pax\\b|heads?\\b|covers?\\b|attendees\\b|friends\\b|ppl\\b|staff\\b|participants\\b|visitors\\b|strong\\b|of them\\b|seats?\\b|altogether\\b|all told\\b|in (?:total|all|the party|our group|the group)\\b|adults?\\b|diners\\b|total\\b)",
            Pattern.CASE_INSENSITIVE);
    private static final Finder OF_PEOPLE_BEFORE = Finder.of(
            "\\b(?:(?:table|room|booking|space|seats?|party|group|places?|tickets?|lunch|dinner)\\s+(?:for|of)|for|we(?:'re| are| will be|'ll be|'d be| would be)|there(?:'s| are| will be|'ll be| is)|party of|group of|total of|bringing)\\s*(?:about|around|roughly|approximately|maybe|probably|only|just|up to|the|all)?\\s*$");
    private static final Pattern UNIT = Pattern.compile(
            "^\\s*-?(?:years?(?!\\s*\\d)|yrs?(?!\\s*\\d)|months?|weeks?|days?|nights?|hours?|hrs?|minutes?|mins?|miles?|km|kg|cm|metres?|meters?|feet|inch(?:es)?|%|percent|st\\b|nd\\b|rd\\b|th\\b|times?|am\\b|pm\\b|rooms?|beds?|bedrooms?|pages?|cars?|vehicles?|parcels?|boxes|courses?|sets?|copies|floors?|stars?|class(?:es)?|groups?|coach(?:es)?|buses|o'clock)",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern NO_SUCH =
            Pattern.compile("\\b(?:no|without(?: any)?|zero)\\s+([\\p{L}-]+)\\b", Pattern.CASE_INSENSITIVE);

    /** "Year 2" and "room 7" count nothing. */
    private static final Finder ORDERED = Finder.of(
            "\\b(?:years?|yr|grade|class|form|room|platform|gate|line|bus|part|phase|level|chapter|page|zone|floor|table|number|no\\.|row|seat|unit|flat)\\s{1,2}$");

    private static final Finder OF_YEAR = Finder.of("\\b(?:year|yr|grade|key stage|ks)s?\\s{0,2}$");

    /** "I'm 15", "my son is 9". */
    private static final Finder AGED = Finder.of(
            "\\b(?:(?:i'?m|i am|he'?s|he is|she'?s|she is|(?:son|daughter|child|kid|boy|girl|baby|one|youngest|eldest|oldest) is|who is|who'?s)"
                    + "(?: (?:only|just|nearly|almost|already|about))?|aged?|turning)\\s+$");

    /** Words after a bare number that say nothing of it. */
    private static final Set<String> IDLE = Set.of(
            "actually",
            "please",
            "altogether",
            "tops",
            "max",
            "maximum",
            "now",
            "thanks",
            "then",
            "total",
            "in",
            "all");

    /** Words before a number that name nothing. */
    private static final Set<String> LINKS =
            Set.of("of", "the", "a", "at", "on", "is", "how", "many", "what", "you", "to", "in", "from");

    private static final Pattern CLAUSE_END = Pattern.compile("[,.;\\n!?§:]|\\s(?:and|plus|&|with)\\s");
    private static final Pattern GAPS = Pattern.compile("[§\\s,.;!]+");

    private static final Pattern PART_OF_HOUR = Pattern.compile(
            "\\bhalf an hour\\b|\\b(an) hour(?: and a half)?\\b|\\b(a) quarter of an hour\\b",
            Pattern.CASE_INSENSITIVE);

    private static final Pattern IN_HOURS =
            Pattern.compile("^\\s*-?(?:hours?|hrs?|an hour)\\b(\\s+and a half\\b)?", Pattern.CASE_INSENSITIVE);

    private static final Finder ALONE =
            Finder.of("\\b(?:just me|only me|just myself|both of us|the pair of us|me and my|on my own"
                    + "|my (?:wife|husband|partner) and)\\b");

    /** What stands farther than this from a number says nothing of it, in UTF-16 units. */
    private static final int NEAR = 160;

    private final SeveralReader reader;

    NumberSlots(SeveralReader reader) {
        this.reader = reader;
    }

    /** A number by itself between commas, in place of the number sign. */
    private static final Finder LISTED = Finder.ofExactly("[,;]\\s*#\\s*(?:[,;.]|$)");

    private record Fit(Slot slot, Mention mention, int score) {}

    void read() {
        List<Slot> wanted = Stream.of(ValueType.NUMBER, ValueType.RATING, ValueType.SLIDER)
                .flatMap(type -> reader.slots(type).stream())
                .toList();
        if (wanted.isEmpty()) {
            return;
        }
        String text = reader.rest();
        if (counted(wanted, text)) {
            return;
        }
        List<Mention> all = new ArrayList<>(NumberReader.find(Tokens.of(text), reader.context()));
        all.addAll(durations(text));
        List<Mention> numbers = all.stream()
                .limit(Mention.MOST)
                .filter(m -> !Settling.denied(text, m))
                .toList();
        if (numbers.isEmpty() && !NO_SUCH.matcher(text).find()) {
            alone(wanted, text);
            return;
        }
        List<Around> around =
                numbers.stream().map(number -> Around.of(number, numbers, text)).toList();
        List<Fit> fits = new ArrayList<>();
        for (Around number : around) {
            for (Slot slot : wanted) {
                int score = number.score(slot.words(), only());
                if (score > 0) {
                    fits.add(new Fit(slot, number.number(), score));
                }
            }
        }
        Map<Slot, Mention> best = choose(fits, text);
        corrected(best, around, wanted, text);
        best.forEach((slot, mention) -> reader.put(slot, inUnit(slot, mention, text)));
        heads(best, text);
        wanted.stream().filter(slot -> !best.containsKey(slot)).forEach(slot -> nought(slot, text));
        if (best.isEmpty() && numbers.isEmpty()) {
            alone(wanted, text);
        }
    }

    /** Heads counted in parts, for the one slot that counts them all. */
    private void heads(Map<Slot, Mention> best, String text) {
        List<Slot> people = best.keySet().stream()
                .filter(slot -> slot.words().countsPeople())
                .filter(slot -> !slot.words().part())
                .toList();
        Optional<HeadCounts.Heads> sum = HeadCounts.sum(text);
        if (people.size() == 1 && best.size() == 1 && sum.isPresent()) {
            reader.put(people.getFirst(), given(sum.get()));
        }
    }

    private static Reading given(HeadCounts.Heads heads) {
        return new Reading.Given(Value.Numeric.of(heads.count()), heads.start(), heads.end());
    }

    /** Heads counted in parts fill the one slot that asks for all, groups of so many the one that asks for any. */
    private boolean counted(List<Slot> wanted, String text) {
        List<Slot> people =
                wanted.stream().filter(slot -> slot.words().countsPeople()).toList();
        List<Slot> all = people.stream().filter(slot -> !slot.words().part()).toList();
        Optional<HeadCounts.Heads> groups = HeadCounts.groups(text);
        List<Slot> slots = groups.isPresent() && all.size() != 1 ? people : all;
        Optional<HeadCounts.Heads> heads = groups.isPresent() ? groups : HeadCounts.sum(text);
        if (wanted.size() != 1 || slots.size() != 1 || heads.isEmpty()) {
            return false;
        }
        reader.put(slots.getFirst(), given(heads.get()));
        return true;
    }

    /** "no kids" is none of them. */
    private void nought(Slot slot, String text) {
        var matcher = NO_SUCH.matcher(text);
        while (matcher.find()) {
            if (slot.words().cues().contains(matcher.group(1).toLowerCase(java.util.Locale.ROOT))) {
                reader.put(slot, new Reading.Given(Value.Numeric.of(0), matcher.start(), matcher.end()));
            }
        }
    }

    /**
     * What stands around a number, whichever slot it is for.
     *
     * @param next         the words after it in its clause
     * @param led          the words before it in its clause
     * @param ordered      whether it only numbers something
     * @param ofYear       whether it names a year group, whatever stands after it ("52 year 5 pupils"), or an age
     * @param peopleAfter  whether the words after it count people
     * @param peopleBefore whether the words before it do
     * @param unit         whether it counts hours, rooms or the like
     * @param alone        whether the message says little else
     */
    private record Around(
            Mention number,
            List<String> next,
            List<String> led,
            boolean ordered,
            boolean ofYear,
            boolean peopleAfter,
            boolean peopleBefore,
            boolean unit,
            boolean alone,
            boolean listed) {

        static Around of(Mention number, List<Mention> all, String text) {
            String after = text.substring(number.end(), Math.min(text.length(), number.end() + NEAR));
            String before = text.substring(Math.max(0, number.start() - NEAR), number.start());
            List<String> next = Cues.words(CLAUSE_END.split(after, 2)[0]);
            boolean bare = all.size() == 1
                    && IDLE.containsAll(next)
                    && GAPS.matcher(text).replaceAll(" ").strip().length() <= number.end() - number.start() + 12;
            return new Around(
                    number,
                    next,
                    Cues.words(before.substring(lastBreak(before) + 1)),
                    ORDERED.in(before),
                    OF_YEAR.in(before)
                            || AGED.in(before)
                                    && !OF_PEOPLE_AFTER.matcher(after).find(),
                    OF_PEOPLE_AFTER.matcher(after).find(),
                    !number.range() && OF_PEOPLE_BEFORE.in(before),
                    UNIT.matcher(after).find(),
                    bare,
                    LISTED.in(before + "#" + after));
        }

        /** How strongly it is meant for a slot, 0 for not at all. @param only whether no other slot counts anything */
        int score(SlotWords slot, boolean only) {
            if (ofYear && !slot.cues().contains("age")) {
                return 0;
            }
            for (int i = 0; i < Math.min(3, next.size()); i++) {
                if (slot.cues().contains(next.get(i))) {
                    return 30 - i;
                }
            }
            if (ordered) {
                return 0;
            }
            if (slot.countsPeople() && peopleAfter) {
                return 24;
            }
            if (unit) {
                return 0;
            }
            for (int i = 0; i < Math.min(4, led.size()); i++) {
                String word = led.get(led.size() - 1 - i);
                if (!LINKS.contains(word)
                        && (slot.cues().contains(word) || slot.own().contains(word))) {
                    return 20 - i;
                }
            }
            if (slot.countsPeople() && peopleBefore) {
                return 12;
            }
            return only && (alone || slot.countsPeople() && listed) ? 5 : 0;
        }
    }

    private boolean only() {
        return reader.slots(ValueType.NUMBER).size() == 1;
    }

    private static int lastBreak(String text) {
        for (int i = text.length() - 1; i >= 0; i--) {
            if (",.;\n§".indexOf(text.charAt(i)) >= 0) {
                return i;
            }
        }
        return -1;
    }

    /** Each slot its strongest number, each number used once; two equally strong for one slot leave it unclear. */
    private Map<Slot, Mention> choose(List<Fit> fits, String text) {
        Map<Slot, Mention> best = new LinkedHashMap<>();
        Set<Mention> used = new HashSet<>();
        List<Fit> order = new ArrayList<>(fits);
        order.sort((a, b) -> Integer.compare(b.score(), a.score()));
        for (Fit fit : order) {
            if (!best.containsKey(fit.slot()) && !used.contains(fit.mention())) {
                best.put(fit.slot(), fit.mention());
                used.add(fit.mention());
            } else if (best.containsKey(fit.slot()) && !used.contains(fit.mention())) {
                Mention first = best.get(fit.slot());
                boolean later = fit.mention().start() > first.start();
                List<Mention> both = later ? List.of(first, fit.mention()) : List.of(fit.mention(), first);
                List<Mention> standing = Settling.standing(text, both);
                if (standing.size() == 1) {
                    best.put(fit.slot(), standing.getFirst());
                }
            }
        }
        return best;
    }

    /** "9 people, no sorry 10": a bare number after a correction replaces the one before. */
    private void corrected(Map<Slot, Mention> best, List<Around> around, List<Slot> wanted, String text) {
        List<Mention> numbers = around.stream().map(Around::number).toList();
        for (Map.Entry<Slot, Mention> entry : best.entrySet()) {
            Mention value = entry.getValue();
            int index = numbers.indexOf(value);
            if (index < 0 || index + 1 >= numbers.size()) {
                continue;
            }
            Mention next = numbers.get(index + 1);
            Around near = around.get(index + 1);
            boolean free = !near.ordered()
                    && !near.ofYear()
                    && !best.containsValue(next)
                    && wanted.stream().noneMatch(s -> s != entry.getKey() && near.score(s.words(), only()) > 0);
            if (free
                    && Settling.standing(text, List.of(value, next)).equals(List.of(next))
                    && !UNIT.matcher(text.substring(next.end())).find()) {
                entry.setValue(next);
            }
        }
    }

    private static List<Mention> durations(String text) {
        List<Mention> found = new ArrayList<>();
        Matcher halfHour = PART_OF_HOUR.matcher(text);
        while (halfHour.find()) {
            String said = halfHour.group().toLowerCase(java.util.Locale.ROOT);
            String hours = said.startsWith("half")
                    ? "0.5"
                    : said.contains("quarter") ? "0.25" : said.contains("half") ? "1.5" : "1";
            int end = halfHour.start() + Math.max(1, said.indexOf("hour") - 1);
            found.add(Mention.of(new Value.Numeric(new BigDecimal(hours)), halfHour.start(), end));
        }
        return found;
    }

    /** A duration said in hours, for a slot in minutes. */
    private static Mention inUnit(Slot slot, Mention mention, String text) {
        boolean minutes =
                slot.words().own().contains("minutes") || slot.words().own().contains("mins");
        Matcher hours = IN_HOURS.matcher(text.substring(mention.end()));
        if (!minutes || !mention.clear() || !hours.find()) {
            return mention;
        }
        BigDecimal value = ((Value.Numeric) mention.values().getFirst()).number();
        if (hours.group(1) != null) {
            value = value.add(new BigDecimal("0.5"));
        }
        return Mention.of(new Value.Numeric(value.multiply(BigDecimal.valueOf(60))), mention.start(), mention.end());
    }

    /** "just me", "both of us": a head count without a number. */
    private void alone(List<Slot> wanted, String text) {
        List<Slot> people =
                wanted.stream().filter(slot -> slot.words().countsPeople()).toList();
        if (people.size() == 1
                && ALONE.in(text)
                && NumberReader.read(text.replace('§', ' '), reader.context()) instanceof Reading.Given given) {
            reader.put(people.getFirst(), given);
        }
    }
}
