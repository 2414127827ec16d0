package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.ValueType;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Places among other things. */
class PlaceSlotsTest {

    private static final List<Slot> WAY = List.of(
            new Slot("from", "", ValueType.PLACE, List.of()),
            new Slot("to", "", ValueType.PLACE, List.of()),
            new Slot("day", "", ValueType.DATE, List.of()));

    private static final List<Slot> ONE = List.of(
            new Slot("village", "", ValueType.PLACE, List.of()),
            new Slot("name", "", ValueType.PERSON_NAME, List.of()));

    private static String read(String text, List<Slot> slots) {
        Map<String, String> values = new TreeMap<>();
        SeveralReader.read(text, slots, ReaderTest.at("GB"), Meaning.NONE).forEach((name, reading) -> {
            if (reading instanceof Reading.Given(Value value, int start, int end)) {
                assertThat(text.substring(start, end)).isNotBlank();
                values.put(name, value.shown());
            }
        });
        return values.toString();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "we move from Ludham to Oxley on 14 May|{day=Thursday 14 May 2026, from=Ludham, to=Oxley}",
                "from ludham to oxley on 14 may|{day=Thursday 14 May 2026, from=ludham, to=oxley}",
                "it goes to Stoke on the Hill|{to=Stoke on the Hill}",
                "from Monday to Friday|{}",
                "we would like to move to a house|{}",
            })
    void theEndsOfAWayAreToldByTheWordsBeforeThem(String text, String expected) {
        assertThat(read(text, WAY)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "three big ash trees in Coldharbour|{village=Coldharbour}",
                "I'm Ann Lee from Upper Marsh|{name=Ann Lee, village=Upper Marsh}",
                "I teach at Fernhollow Primary|{}",
                "it is for Year 5 in May|{}",
            })
    void onePlaceIsWrittenAsANameAfterAWordThatSaysWhere(String text, String expected) {
        assertThat(read(text, ONE)).isEqualTo(expected);
    }
}
