package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.ValueType;
import java.time.LocalDateTime;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Replies in words that a reader of the plain form gets wrong. */
class AsPeopleSayTest {

    private static final Context CONTEXT = new Context("GB", LocalDateTime.of(2026, 11, 27, 14, 0));

    private static String read(String type, String text) {
        return switch (Reader.reply(ValueType.valueOf(type.strip().toUpperCase()), text, CONTEXT)) {
            case Reading.Given(Value value, int start, int end) -> value.shown();
            case Reading.Unclear unclear ->
                "one of " + unclear.candidates().stream().map(Value::shown).toList();
            case Reading other -> "none";
        };
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "date|the friday before christmas|Friday 18 December 2026",
                "date|three days before christmas|Tuesday 22 December 2026",
                "date|the saturday after 6 january|Saturday 9 January 2027",
                "date|5th or 6th of january|one of [Tuesday 5 January 2027, Wednesday 6 January 2027]",
                "date|the 2nd week of march|none",
                "date|can it be on a monday|none",
                "date|a sunday in february|one of [Sunday 7 February 2027, Sunday 14 February 2027, Sunday 21 February 2027, Sunday 28 February 2027]",
                "date|last friday in february|Friday 26 February 2027",
                "date|4th thursday of january|Thursday 28 January 2027",
                "date|first friday next month|Friday 4 December 2026",
                "date|14 or 15 of april|one of [Wednesday 14 April 2027, Thursday 15 April 2027]",
                "time|from ten to twelve|one of [10:00, 12:00]",
                "money|between 3 and 5 thousand|one of [£3,000, £5,000]",
                "money|eight or nine hundred quid|one of [£800, £900]",
                "money|3-4k|one of [£3,000, £4,000]",
                "email|no email sorry|none",
                "person_name|wednesday|none",
                "company|perfect|none",
                "money|a few hundred|none",
                "money|several thousand pounds|none",
                "money|1.200|£1,200",
                "number|a couple of hundred|200",
                "number|three hundred and six|306",
                "person_name|it's Wren, Imogen Wren|Imogen Wren",
                "person_name|Tull. Rose Tull.|Rose Tull",
                "person_name|de la Cruz, Maria|Maria de la Cruz",
                "person_name|mr joe stop|Joe Stop",
                "person_name|St Orrin's|none",
                "person_name|dogs?|none",
                "company|it's for the council|the council",
                "company|we are a small bakery called Crumb|Crumb",
            })
    void isRead(String type, String text, String value) {
        assertThat(read(type, text)).isEqualTo(value);
    }
}
