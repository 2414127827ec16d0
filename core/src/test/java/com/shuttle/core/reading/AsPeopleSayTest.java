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
                "date|the 3rd of march, no the 4th|Thursday 4 March 2027",
                "date|our christmas party|none",
                "date|christmas eve|Thursday 24 December 2026",
                "money|five k|£5,000",
                "money|not more than £2,500|£2,500",
                "company|St. Hilda's|St. Hilda's",
                "yes_no|that's it|yes",
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
                "person_name|put it under Ida Marlow|Ida Marlow",
                "person_name|you can put ida marlow|Ida Marlow",
                "person_name|they have me down as Ida Marlow|Ida Marlow",
                "person_name|that would be Ida Marlow|Ida Marlow",
                "person_name|we'd arrive at ten|none",
                "person_name|perfect|none",
                "person_name|Ben Archer is the name plus my number is 12|Ben Archer",
                "money|Sunday 17 January|none",
                "money|up to 17 pounds|£17",
                "number|oh, 8 I think, we'd pay up to 220 quid|8",
                "number|around 4 - this is Ella Byrne|4",
                "number|me and a 7 year old|2",
                "number|two adults and a 7 year old|3",
                "date|we were thinking of 27 December|Sunday 27 December 2026",
                "company|years 3 and 4|none",
                "yes_no|no. By the way, is there a floor?|no",
                "yes_no|nah, do you deliver?|no",
                "yes_no|ok, where can I park?|none",
                "yes_no|oops, 29th of January of course|none",
                "yes_no|yes, we'd like that|yes",
                "yes_no|yes we would|yes",
                "yes_no|we'd better have one|yes",
                "yes_no|oh yes please, it gets cold|yes",
                "yes_no|yes, it might be cold|yes",
                "yes_no|that would be very kind|yes",
                "yes_no|we'd be glad of that|yes",
                "yes_no|I would be grateful|yes",
                "yes_no|if you can|yes",
                "yes_no|if possible|yes",
                "yes_no|certainly|yes",
                "yes_no|yup thanks|yes",
                "yes_no|we'll need two|yes",
                "yes_no|two please|yes",
                "yes_no|for all of us|yes",
                "yes_no|all of us do|yes",
                "yes_no|yes for both|yes",
                "yes_no|just for me|yes",
                "yes_no|no thanks, we've got some|no",
                "yes_no|no, that's fine|no",
                "yes_no|no it's fine|no",
                "yes_no|it's fine without|no",
                "yes_no|no we're ok|no",
                "yes_no|we've got our own|no",
                "yes_no|we bring ours|no",
                "yes_no|I've got mine|no",
                "yes_no|thanks but no|no",
                "yes_no|thanks, no|no",
                "yes_no|oh no|no",
                "yes_no|not really, no|no",
                "yes_no|no not really|no",
                "yes_no|I think we're fine|no",
                "yes_no|we don't need any|no",
                "yes_no|don't need it|no",
                "yes_no|won't need that|no",
                "yes_no|no need for that|no",
                "yes_no|nothing needed|no",
                "yes_no|not necessary thanks|no",
                "yes_no|nah we're good|no",
                "yes_no|no ta|no",
                "yes_no|ok yes|yes",
                "yes_no|please|yes",
                "yes_no|yes of course|yes",
                "yes_no|yeah go on|yes",
                "yes_no|none, thanks|no",
                "yes_no|I'd rather not|no",
                "yes_no|preferably|yes",
                "yes_no|that'd be lovely thanks|yes",
                "yes_no|it would help|yes",
                "yes_no|we'd love one|yes",
                "yes_no|sure, why not|yes",
                "yes_no|not if it costs extra|no",
                "yes_no|no, too expensive|no",
                "yes_no|we'll do without|no",
            })
    void isRead(String type, String text, String value) {
        assertThat(read(type, text)).isEqualTo(value);
    }
}
