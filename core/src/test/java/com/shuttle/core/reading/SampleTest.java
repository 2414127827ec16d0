package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What visitors type, as it should be read; the sentences stand in files beside this class. */
class SampleTest {

    private static final JsonMapper JSON = JsonMapper.shared();

    static Stream<String> single() {
        return lines("single.txt").filter(line -> !line.startsWith("#"));
    }

    static Stream<String> several() {
        return lines("several.jsonl");
    }

    @ParameterizedTest
    @MethodSource
    void single(String line) {
        String[] part = line.split("\\|");
        Reading reading = Reader.reply(ValueType.of(part[0]), Words.clean(part[2]), ReaderTest.at(part[1]));
        String read = switch (reading) {
            case Reading.Given given -> plain(given.value());
            case Reading.Unclear unclear -> "?";
            default -> "-";
        };
        List<String> fit = new ArrayList<>(Arrays.asList(part[3].split(" / ")));
        if (fit.contains("-")) {
            fit.add("?");
        }
        assertThat(fit).contains(read);
    }

    @ParameterizedTest
    @MethodSource
    void several(String line) {
        JsonNode sample = JSON.readTree(line);
        List<Slot> slots = new ArrayList<>();
        for (JsonNode slot : sample.get("slots")) {
            List<Option> options = new ArrayList<>();
            slot.path("options")
                    .forEach(o -> options.add(new Option("o" + (options.size() + 1), o.asString(), List.of())));
            slots.add(new Slot(
                    slot.get("name").asString(),
                    "",
                    ValueType.of(slot.get("type").asString()),
                    options));
        }
        Map<String, Reading> read = SeveralReader.read(
                Words.clean(sample.get("text").asString()),
                slots,
                ReaderTest.at(sample.get("region").asString()),
                Meaning.NONE);
        Map<String, String> values = new TreeMap<>();
        Map<String, String> expected = new TreeMap<>();
        for (Slot slot : slots) {
            values.put(slot.name(), read.get(slot.name()) instanceof Reading.Given given ? plain(given.value()) : "-");
            expected.put(slot.name(), expected(sample.get("expect").get(slot.name())));
        }
        assertThat(values).isEqualTo(expected);
    }

    private static String plain(Value value) {
        return switch (value) {
            case Value.Day day -> day.date().toString();
            case Value.Clock clock -> clock.time().toString();
            case Value.Moment moment -> moment.at().toString();
            case Value.YesNo yesNo -> Boolean.toString(yesNo.yes());
            case Value.Money money ->
                money.currency() + " " + money.amount().stripTrailingZeros().toPlainString();
            default -> value.shown();
        };
    }

    private static String expected(JsonNode node) {
        if (node.isNull()) {
            return "-";
        }
        return node.isContainer()
                ? plain(Value.of(JSON.treeToValue(node, Object.class)))
                : node.isNumber() ? plain(new Value.Numeric(node.decimalValue())) : node.asString();
    }

    private static Stream<String> lines(String name) {
        try (InputStream in = SampleTest.class.getResourceAsStream(name)) {
            assertThat(in).isNotNull();
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList().stream();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }
}
