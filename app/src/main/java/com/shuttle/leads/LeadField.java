package com.shuttle.leads;

import com.shuttle.core.people.Identity;
import com.shuttle.core.reading.Words;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** A field of the organisation's own that leads have. @param id its key, as steps name it */
public record LeadField(String id, String name, Kind kind) {

    /** The fields that everybody has. */
    public static final List<LeadField> ALWAYS = List.of(
            new LeadField("name", "Name", Kind.TEXT),
            new LeadField("email", "Email", Kind.EMAIL),
            new LeadField("phone", "Phone", Kind.PHONE),
            new LeadField("company", "Company", Kind.TEXT));

    /** What a field holds. */
    public enum Kind {
        TEXT("text"),
        NUMBER("number"),
        DATE("date"),
        YES_NO("yes or no"),
        EMAIL("email"),
        PHONE("phone");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Kind of(String key) {
            for (Kind kind : values()) {
                if (kind.key().equals(key)) {
                    return kind;
                }
            }
            return TEXT;
        }
    }

    /** Whether it is one that everybody has. */
    public boolean always() {
        return ALWAYS.stream().anyMatch(field -> field.id().equals(id));
    }

    /** A number by which values are compared: the number itself, a day as its number, yes as 1; null for none. */
    @Nullable
    BigDecimal figure(String content) {
        try {
            return switch (kind) {
                case NUMBER -> new BigDecimal(content.replace(",", "").strip());
                case DATE -> BigDecimal.valueOf(LocalDate.parse(content.strip()).toEpochDay());
                case YES_NO -> content.equalsIgnoreCase("yes") ? BigDecimal.ONE : BigDecimal.ZERO;
                case TEXT, EMAIL, PHONE -> null;
            };
        } catch (NumberFormatException | DateTimeParseException none) {
            return null;
        }
    }

    /** What is wrong with a value that somebody wrote; empty for nothing. @param region of phone numbers */
    String fault(String content, String region) {
        if (content.isBlank()) {
            return "";
        }
        return switch (kind) {
            case EMAIL -> Identity.email(content).isEmpty() ? "“" + content + "” is no email address." : "";
            case PHONE -> Identity.phone(content, region).isEmpty() ? "“" + content + "” is no phone number." : "";
            case NUMBER -> figure(content) == null ? "“" + content + "” is no number." : "";
            case DATE -> figure(content) == null ? "A date is written like 2026-03-10." : "";
            case YES_NO -> content.matches("(?i)yes|no") ? "" : "This is yes or no.";
            case TEXT -> Words.clean(content).isBlank() ? "There is nothing readable in this." : "";
        };
    }
}
