package com.shuttle.core.reading;

import java.time.LocalDateTime;
import java.util.Currency;
import java.util.Locale;
import java.util.Set;

/**
 * In whose habits a visitor writes, and what their clock says.
 *
 * @param region ISO 3166 country code, e.g. {@code GB}
 * @param now    the visitor's local date and time
 */
public record Context(String region, LocalDateTime now) {

    /** Month before day in numeric dates (CLDR short date patterns). */
    private static final Set<String> MONTH_FIRST = Set.of("US", "PH", "PW", "FM", "MH", "AS", "GU", "PR", "UM", "VI");

    /** Both orders are in daily use. */
    private static final Set<String> EITHER_ORDER = Set.of("CA");

    /** A comma before decimals (CLDR number symbols, countries with that as their main habit). */
    private static final Set<String> DECIMAL_COMMA = Set.of(
            "AT", "BE", "BR", "DE", "DK", "ES", "FI", "FR", "GR", "IT", "NL", "NO", "PL", "PT", "RU", "SE", "TR", "CZ",
            "HU", "RO", "BG", "HR", "SI", "SK", "UA", "AR", "CL", "CO", "ID", "VN", "IS", "LU");

    boolean monthFirst() {
        return MONTH_FIRST.contains(region);
    }

    boolean eitherOrder() {
        return EITHER_ORDER.contains(region);
    }

    boolean decimalComma() {
        return DECIMAL_COMMA.contains(region);
    }

    /** ISO 4217 code of the region's money; euros where the region is unknown. */
    public String currency() {
        try {
            Currency own = Currency.getInstance(Locale.of("", region));
            return own == null ? "EUR" : own.getCurrencyCode();
        } catch (IllegalArgumentException e) {
            return "EUR";
        }
    }
}
