package com.shuttle.api;

import com.shuttle.core.calendar.Zones;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Wish;
import com.shuttle.core.reading.WishReader;
import com.shuttle.core.reading.WishTold;
import com.shuttle.core.reading.Words;
import com.shuttle.knowledge.KnowledgeService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What a visitor meant by what they typed, for programs. */
@RestController
@RequestMapping("/api/v1/readings")
@Tag(name = "Readings", description = "What a visitor meant by what they typed.")
class ReadingsApi {

    private static final int MOST_SLOTS = 50;
    private static final String TOO_LONG = "A message can be {max} characters long at most.";
    private static final String SLOTS = "Between 1 and " + MOST_SLOTS + " slots are needed.";
    private static final int MOST_TIMES = 5000;
    private static final String TIMES = "Up to " + MOST_TIMES + " free slots are needed.";
    private static final String NAMED = "Every slot needs a name.";

    /** @param now local date and time of the visitor; left out: now, in UTC */
    record Asked(
            @Nullable String type,
            @Nullable String region,
            @Nullable String now,
            @Nullable List<@Nullable String> options,

            @Size(max = Words.LONGEST_MESSAGE, message = TOO_LONG) @Nullable
            String text) {}

    /** @param candidates where the outcome is {@code unclear} */
    record Read(String outcome, @Nullable Object value, List<Object> candidates) {}

    record SlotForm(
            @NotBlank(message = NAMED) String name,
            @Nullable String label,
            @Nullable String type,
            @Nullable List<@Nullable String> options) {}

    record AskedSeveral(
            @Nullable String region,
            @Nullable String now,

            @NotEmpty(message = SLOTS) @Size(max = MOST_SLOTS, message = SLOTS)
            List<@NotNull(message = NAMED) @Valid SlotForm> slots,

            @Size(max = Words.LONGEST_MESSAGE, message = TOO_LONG) @Nullable
            String text) {}

    /** @param slots local dates and times that are free @param now local, as the slots are */
    record AskedWish(
            @Nullable String region,
            @Nullable String now,
            @Nullable String zone,

            @NotNull(message = TIMES) @Size(max = MOST_TIMES, message = TIMES)
            List<@NotNull(message = TIMES) String> slots,

            @Size(max = Words.LONGEST_MESSAGE, message = TOO_LONG) @Nullable
            String text) {}

    /**
     * @param outcome    {@code wish}; {@code unclear} for one that nothing free fits; {@code none}
     * @param understood the wish in words; empty for none
     * @param fits       those of the slots that fit
     */
    record ReadWish(String outcome, String understood, List<String> fits) {}

    /** Null where the message does not say. */
    record ReadSeveral(Map<String, @Nullable Object> values) {}

    private final KnowledgeService knowledge;
    private final InstantSource clock;

    ReadingsApi(KnowledgeService knowledge, InstantSource clock) {
        this.knowledge = knowledge;
        this.clock = clock;
    }

    @PostMapping
    @Operation(summary = "Read a message as the reply to a question for one value")
    Read read(@Valid @RequestBody Asked asked) {
        Reading reading = Reader.reply(
                type(asked.type()),
                text(asked.text()),
                context(asked.region(), asked.now()),
                options(asked.options()),
                meaning());
        return switch (reading) {
            case Reading.Given(Value value, int start, int end) -> new Read("value", plain(value), List.of());
            case Reading.Unclear(List<Value> candidates, int start, int end) ->
                new Read(
                        "unclear",
                        null,
                        candidates.stream().map(ReadingsApi::plain).toList());
            case Reading.Refused() -> new Read("refused", null, List.of());
            case Reading.AskedBack() -> new Read("asked_back", null, List.of());
            case Reading.Nothing() -> new Read("none", null, List.of());
        };
    }

    @PostMapping("/several")
    @Operation(summary = "Read a message for several values at once")
    ReadSeveral several(@Valid @RequestBody AskedSeveral asked) {
        List<Slot> slots = new ArrayList<>();
        for (SlotForm form : asked.slots()) {
            String label = form.label() == null ? "" : form.label();
            slots.add(new Slot(form.name(), label, type(form.type()), options(form.options())));
        }
        Map<String, Reading> read =
                SeveralReader.read(text(asked.text()), slots, context(asked.region(), asked.now()), meaning());
        Map<String, @Nullable Object> values = new LinkedHashMap<>();
        for (Slot slot : slots) {
            values.put(slot.name(), read.get(slot.name()) instanceof Reading.Given given ? plain(given.value()) : null);
        }
        return new ReadSeveral(values);
    }

    @PostMapping("/wish")
    @Operation(summary = "Read when a visitor would like to come, and tell which free slots fit")
    ReadWish wish(@Valid @RequestBody AskedWish asked) {
        Context context = context(asked.region(), asked.now());
        if (asked.zone() != null && Zones.known(asked.zone()).isEmpty()) {
            throw Problems.unfit("There is no zone \"" + asked.zone() + "\".");
        }
        List<LocalDateTime> slots =
                asked.slots().stream().map(ReadingsApi::moment).sorted().toList();
        Optional<Wish> wish = WishReader.read(text(asked.text()), context);
        if (wish.isEmpty()) {
            return new ReadWish("none", "", List.of());
        }
        List<String> fits =
                wish.get().fits(slots).stream().map(LocalDateTime::toString).toList();
        return new ReadWish(
                fits.isEmpty() ? "unclear" : "wish",
                WishTold.told(wish.get(), context.now().toLocalDate()),
                fits);
    }

    private static LocalDateTime moment(String text) {
        try {
            return LocalDateTime.parse(text);
        } catch (DateTimeException e) {
            throw Problems.unfit("A slot is a date and time like 2026-03-10T09:15.");
        }
    }

    private Meaning meaning() {
        return knowledge::closeness;
    }

    /** A value in the form that programs get it. */
    private static Object plain(Value value) {
        return switch (value) {
            case Value.Day day -> day.date().toString();
            case Value.Clock clock -> clock.time().toString();
            case Value.Moment moment -> moment.at().toString();
            default -> value.plain();
        };
    }

    private static ValueType type(@Nullable String key) {
        try {
            return ValueType.of(key == null ? "text" : key);
        } catch (IllegalArgumentException e) {
            throw Problems.unfit("There is no type \"" + key + "\".");
        }
    }

    private Context context(@Nullable String region, @Nullable String now) {
        String country = region == null ? "GB" : region.toUpperCase(Locale.ROOT);
        if (!country.matches("[A-Z]{2}")) {
            throw Problems.unfit("A region is a country code of two letters.");
        }
        try {
            return new Context(
                    country,
                    now == null ? LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC) : LocalDateTime.parse(now));
        } catch (DateTimeException e) {
            throw Problems.unfit("\"now\" is a date and time like 2026-03-10T09:15.");
        }
    }

    private static List<Option> options(@Nullable List<@Nullable String> labels) {
        List<Option> options = new ArrayList<>();
        for (String label : labels == null ? List.<@Nullable String>of() : labels) {
            options.add(new Option("o" + (options.size() + 1), label == null ? "" : label, List.of()));
        }
        return options;
    }

    private static String text(@Nullable String raw) {
        return Words.clean(raw == null ? "" : raw);
    }
}
