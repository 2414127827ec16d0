package com.shuttle.core.reading;

import com.ibm.icu.text.LocaleDisplayNames;
import com.ibm.icu.util.Region;
import com.ibm.icu.util.Region.RegionType;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Countries and the regions that contain them: the United Nations' regions (M49) and groupings such as the European Union, as
 * the Unicode Common Locale Data Repository has them, by their English names. Pure functions.
 */
public final class Places {

    /** What countries are called beside their names there, and parts that have no code of their own. */
    private static final Map<String, String> ALSO = also(
            "GB: uk, great britain, britain, england, scotland, wales, northern ireland",
            "US: usa, united states of america, america, the states",
            "NL: holland, the netherlands",
            "CZ: czech republic",
            "TR: turkey",
            "IE: republic of ireland",
            "AE: uae",
            "EU: eu, the eu",
            "003: north america",
            "419: latin america");

    /** Names that are words too: a place only with a capital letter. */
    private static final Set<String> WORDS_TOO =
            Set.of("turkey", "chad", "jersey", "jordan", "georgia", "guinea", "america");

    private static final int LONGEST_NAME = 5;

    private static final LocaleDisplayNames NAMES = LocaleDisplayNames.getInstance(ULocale.ENGLISH);

    /** Codes by names in normal form. */
    private static final Map<String, String> CODES = new HashMap<>(ALSO);

    /** Names of the regions that contain a country or region, narrowest first, by its code. */
    private static final Map<String, List<String>> CONTAINING = new HashMap<>();

    static {
        for (RegionType type :
                List.of(RegionType.TERRITORY, RegionType.SUBCONTINENT, RegionType.CONTINENT, RegionType.GROUPING)) {
            for (Region region : Region.getAvailable(type)) {
                CODES.putIfAbsent(Words.normal(name(region)), region.toString());
                Set<String> around = new LinkedHashSet<>();
                groupings(region).forEach(grouping -> around.add(name(grouping)));
                for (Region outer = region.getContainingRegion();
                        outer != null && outer.getType() != RegionType.WORLD;
                        outer = outer.getContainingRegion()) {
                    around.add(name(outer));
                }
                around.remove(name(region));
                CONTAINING.put(region.toString(), List.copyOf(around));
            }
        }
    }

    private Places() {}

    private static String name(Region region) {
        return NAMES.regionDisplayName(region.toString());
    }

    private static List<Region> groupings(Region region) {
        return region.getType() != RegionType.TERRITORY
                ? List.of()
                : Region.getAvailable(RegionType.GROUPING).stream()
                        .filter(grouping -> grouping.contains(region))
                        .sorted()
                        .toList();
    }

    private static Map<String, String> also(String... lines) {
        Map<String, String> codes = new HashMap<>();
        for (String line : lines) {
            String[] parts = Regex.split(line, ": ");
            Arrays.stream(Regex.split(parts[1], ", ")).forEach(name -> codes.put(name, parts[0]));
        }
        return codes;
    }

    /** The English names of the regions that contain a country or region, narrowest first; none where it is not known. */
    public static List<String> around(String place) {
        return Optional.ofNullable(CODES.get(Words.normal(place)))
                .map(code -> CONTAINING.getOrDefault(code, List.of()))
                .orElse(List.of());
    }

    /** In a longer question, words and what stands between, no place is looked for. */
    private static final int MOST_PARTS = 400;

    /** No name of a place is longer, and one letter may be written out as eighteen. */
    private static final int MOST_LETTERS = 100;

    /**
     * A question about a place in the words of who knows nothing of it but something of its region: where {@code known} says that
     * a place is not known and one around it is, that one stands in its stead.
     *
     * @param known whether a name, in normal form, is known
     */
    public static String widened(String question, Predicate<String> known) {
        List<String> words =
                new ArrayList<>(List.of(Regex.split(question, "(?<=\\P{L})(?=\\p{L})|(?<=\\p{L})(?=\\P{L})")));
        for (int from = 0; from < words.size() && words.size() <= MOST_PARTS; from++) {
            int last = isWord(words.get(from)) ? Math.min(words.size(), from + 2 * LONGEST_NAME - 1) : from;
            for (int to = last; to > from; to--) {
                if (!isWord(words.get(to - 1))) {
                    continue;
                }
                Optional<String> region = regionFor(String.join("", words.subList(from, to)), known);
                if (region.isPresent()) {
                    words.subList(from, to).clear();
                    words.add(from, region.get());
                    break;
                }
            }
        }
        return String.join("", words);
    }

    private static boolean isWord(String part) {
        return !part.isEmpty() && Character.isLetter(part.codePointAt(0));
    }

    private static Optional<String> regionFor(String typed, Predicate<String> known) {
        if (typed.length() > MOST_LETTERS) {
            return Optional.empty();
        }
        String normal = Words.normal(typed);
        boolean place = !normal.isEmpty()
                && CODES.containsKey(normal)
                && (!WORDS_TOO.contains(normal) || Character.isUpperCase(typed.codePointAt(0)));
        return !place || known.test(normal)
                ? Optional.empty()
                : around(normal).stream()
                        .filter(region -> known.test(Words.normal(region)))
                        .findFirst();
    }
}
