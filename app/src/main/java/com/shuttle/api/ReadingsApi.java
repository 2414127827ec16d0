package com.shuttle.api;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import com.shuttle.knowledge.KnowledgeService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.DateTimeException;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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

    /** @param now local date and time of the visitor; left out: now, in UTC */
    record Asked(
            @Nullable String type,
            @Nullable String region,
            @Nullable String now,
            @Nullable List<String> options,
            @Nullable String text) {}

    /** @param candidates where the outcome is {@code unclear} */
    record Read(String outcome, @Nullable Object value, List<Object> candidates) {}

    record SlotForm(
            @Nullable String name,
            @Nullable String label,
            @Nullable String type,
            @Nullable List<String> options) {}

    record AskedSeveral(
            @Nullable String region,
            @Nullable String now,
            @Nullable List<SlotForm> slots,
            @Nullable String text) {}

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
    Read read(@RequestBody Asked asked) {
        Reading reading = Reader.reply(
                type(asked.type()),
                text(asked.text()),
                context(asked.region(), asked.now()),
                options(asked.options()),
                meaning());
        return switch (reading) {
            case Reading.Given(Value value, int start, int end) -> new Read("value", plain(value), List.of());
            case Reading.Unclear(List<Value> candidates) ->
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
    ReadSeveral several(@RequestBody AskedSeveral asked) {
        List<SlotForm> forms = asked.slots() == null ? List.of() : asked.slots();
        if (forms.isEmpty() || forms.size() > MOST_SLOTS) {
            throw Problems.unfit("Between 1 and " + MOST_SLOTS + " slots are needed.");
        }
        List<Slot> slots = new ArrayList<>();
        for (SlotForm form : forms) {
            if (form == null || form.name() == null || form.name().isBlank()) {
                throw Problems.unfit("Every slot needs a name.");
            }
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

    private static List<Option> options(@Nullable List<String> labels) {
        List<Option> options = new ArrayList<>();
        for (String label : labels == null ? List.<String>of() : labels) {
            options.add(new Option("o" + (options.size() + 1), label, List.of()));
        }
        return options;
    }

    private static String text(@Nullable String raw) {
        String text = raw == null ? "" : raw;
        if (text.length() > Words.LONGEST_MESSAGE) {
            throw Problems.unfit("A message can be " + Words.LONGEST_MESSAGE + " characters long at most.");
        }
        return Words.clean(text);
    }
}
