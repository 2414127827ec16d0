package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What an answer must keep to. Every part may be left out.
 *
 * @param min       smallest number or amount; for a rating or slider the lowest mark
 * @param max       largest number or amount; for a rating or slider the highest mark
 * @param by        step of a slider
 * @param whole     whether only whole numbers are taken
 * @param earliest  of a date, time or both: an ISO date or time, {@code today}, or {@code +N} days from today
 * @param latest    as {@code earliest}
 * @param weekdays  of a date, English names in lower case; empty for all
 * @param region    ISO 3166 code for phone numbers; empty for the bot's
 * @param look      of a rating: {@code stars}, {@code faces} or {@code numbers}
 * @param fileTypes endings of files taken, without the point, e.g. {@code jpg}; empty for the usual ones
 * @param megabytes largest file
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record Limits(
        @Nullable BigDecimal min,
        @Nullable BigDecimal max,
        @Nullable BigDecimal by,
        @JsonInclude(JsonInclude.Include.NON_DEFAULT) boolean whole,
        String earliest,
        String latest,
        List<String> weekdays,
        String region,
        String look,
        List<String> fileTypes,
        @Nullable Integer megabytes) {

    /** No limits. */
    public static final Limits NONE = new Limits(null, null, null, false, "", "", List.of(), "", "", List.of(), null);

    public Limits {
        earliest = Parts.text(earliest);
        latest = Parts.text(latest);
        region = Parts.text(region);
        look = Parts.text(look);
        weekdays = weekdays == null ? List.of() : List.copyOf(weekdays);
        fileTypes = fileTypes == null ? List.of() : List.copyOf(fileTypes);
    }

    static Limits orNone(@Nullable Limits limits) {
        return limits == null ? NONE : limits;
    }
}
