package com.shuttle.core.table;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Units of figures and what they measure. Units that are not listed measure themselves ("pages"). Pure functions. */
final class Units {

    /** Factors by the international yard and pound of 1959; a month is 30 days, a year 365. */
    private static final String LISTED = """
            mass 0.001 g gram gramme
            mass 1 kg kilo kilogram kilogramme
            mass 0.45359237 lb lbs pound-weight
            mass 0.028349523125 oz ounce
            mass 1000 t tonne
            length 0.001 mm millimetre millimeter
            length 0.01 cm centimetre centimeter
            length 1 m metre meter
            length 1000 km kilometre kilometer
            length 0.0254 in inch inches
            length 0.3048 ft foot feet
            length 1609.344 mi mile
            time 1 min minute mins
            time 60 h hr hrs hour
            time 1440 day
            time 10080 week
            time 43200 month
            time 525600 year yr yrs
            people 1 people person guest visitor pupil child children kid adult student participant seat place
            volume 1 l litre liter
            volume 0.001 ml millilitre milliliter
            share 1 % percent
            angle 1 ° degree
            GBP 1 £ gbp pound quid
            EUR 1 € eur euro
            USD 1 $ usd dollar
            """;

    /**
     * A unit.
     *
     * @param measures what it measures: "mass", a currency's code, or the unit itself
     * @param factor   to the dimension's first unit, above 0
     */
    record Unit(String measures, BigDecimal factor) {}

    private static final Map<String, Unit> BY_NAME = new HashMap<>();

    static {
        LISTED.lines().forEach(line -> {
            String[] parts = line.split(" ");
            for (int i = 2; i < parts.length; i++) {
                BY_NAME.put(parts[i], new Unit(parts[0], new BigDecimal(parts[1])));
            }
        });
    }

    private Units() {}

    /** A listed unit by its sign or name, singular or plural, in lower case. */
    static Optional<Unit> listed(String word) {
        Unit unit = BY_NAME.get(word);
        return Optional.ofNullable(unit != null ? unit : BY_NAME.get(Phrase.singular(word)));
    }

    /** The unit of a column's figures; empty where it has none. */
    static Optional<Unit> of(Column column) {
        String name = column.unit().toLowerCase(Locale.ROOT);
        return name.isEmpty()
                ? Optional.empty()
                : Optional.of(listed(name).orElse(new Unit(Phrase.singular(name), BigDecimal.ONE)));
    }

    /** A figure of one unit in another that measures the same. */
    static BigDecimal convert(BigDecimal figure, Unit from, Unit to) {
        return from.factor().equals(to.factor())
                ? figure
                : figure.multiply(from.factor()).divide(to.factor(), MathContext.DECIMAL64);
    }
}
