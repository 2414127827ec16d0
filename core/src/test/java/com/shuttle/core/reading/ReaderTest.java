package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.ValueType;
import java.time.LocalDateTime;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReaderTest {

    static Context at(String region) {
        return new Context(region, LocalDateTime.parse("2026-03-10T09:15"));
    }

    private static String read(ValueType type, String text, String region) {
        return switch (Reader.reply(type, Words.clean(text), at(region))) {
            case Reading.Given(Value value, int start, int end) -> {
                assertThat(start).isBetween(0, end);
                assertThat(end).isLessThanOrEqualTo(text.length());
                yield value.shown();
            }
            case Reading.Refused() -> "refused";
            case Reading.AskedBack() -> "asked back";
            case Reading.Unclear unclear -> "unclear " + unclear.candidates().size();
            case Reading.Nothing() -> "nothing";
        };
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Tobias Quillfeather|Tobias Quillfeather",
                "OSWIN BRAMBLEBY|Oswin Brambleby",
                "dana whitlow|Dana Whitlow",
                "my name is Ingrid Sablewood|Ingrid Sablewood",
                "I'm Percy|Percy",
                "this is Jean-Luc O'Malley|Jean-Luc O'Malley",
                "Hi, I'm Petra Lindqvale and I have a question|Petra Lindqvale",
                "call me Bo|Bo",
                "hello, Robin Vale|Robin Vale",
                "Robin Vale, robin@example.org|Robin Vale",
                "name's mara quince|Mara Quince",
                "Zoë Ågren|Zoë Ågren",
                "I'm looking for a telescope|nothing",
                "why do you ask|asked back",
                "what is the price?|nothing",
                "I'd rather not say|refused",
                "not telling you|refused",
                "12|nothing",
                "robin@example.org|nothing",
                "none of your business|refused",
                "I want to speak to somebody|nothing",
                "🙂|nothing",
                "Marlow Sixth Form College|nothing",
            })
    void names(String text, String expected) {
        assertThat(read(ValueType.PERSON_NAME, text, "GB")).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "dana@example.org|dana@example.org",
                "Dana.Whitlow+news@Example.ORG|Dana.Whitlow+news@example.org",
                "it's dana@example.org, thanks|dana@example.org",
                "<dana@example.org>|dana@example.org",
                "dana at example dot org|dana@example.org",
                "dana dot whitlow at example dot co dot uk|dana.whitlow@example.co.uk",
                "dana@example|nothing",
                "dana@@example.org|nothing",
                "dana@exam,ple.org|nothing",
                "a@example.org or b@example.org|unclear 2",
                "a@example.org a@example.org|a@example.org",
                "no thanks, I'd rather not give it|refused",
                "what for|asked back",
                "meet me at the dome|nothing",
                "dana@müller.example|dana@müller.example",
            })
    void emails(String text, String expected) {
        assertThat(read(ValueType.EMAIL, text, "GB")).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "020 7946 0018|GB|+442079460018",
                "+44 20 7946 0018|US|+442079460018",
                "(212) 555-0123 is best|US|+12125550123",
                "my number is 0301 2345678 after six|DE|+493012345678",
                "００４４ 20 7946 0018|GB|+442079460018",
                "12345|GB|nothing",
                "call 020 7946 0018 or 020 7946 0019|GB|unclear 2",
                "I don't want to say|GB|refused",
                "no phone|GB|refused",
            })
    void phones(String text, String region, String expected) {
        assertThat(read(ValueType.PHONE, text, region)).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "12|12",
                "there are 24 of us|24",
                "1,250|1250",
                "2k|2000",
                "2.5|2.5",
                "-3|-3",
                "about a dozen|12",
                "two dozen|24",
                "twenty-five|25",
                "two hundred and five|205",
                "three thousand|3000",
                "make it 5, not 4|5",
                "4, no sorry 5|5",
                "between 4 and 6|unclear 2",
                "none|0",
                "the 3rd of May|nothing",
                "lots|nothing",
                "rather not|refused",
                "１８|18",
                "dana2@example.org|nothing",
                "007|7",
                "about 3m high|3",
            })
    void numbers(String text, String expected) {
        assertThat(read(ValueType.NUMBER, text, "GB")).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "yes|yes",
                "Yes please!|yes",
                "yep|yes",
                "sure, why not|yes",
                "OK|yes",
                "of course|yes",
                "👍|yes",
                "no|no",
                "No, thank you|no",
                "nope|no",
                "not really|no",
                "of course not|no",
                "absolutely not|no",
                "I don't|no",
                "👎|no",
                "maybe|nothing",
                "why|asked back",
                "the second|nothing",
                "know|nothing"
            })
    void yesAndNo(String text, String expected) {
        assertThat(read(ValueType.YES_NO, text, "GB")).isEqualTo(expected);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DATE|are you open on sundays",
                "DATE|Hello, do you close at 6 on fridays?",
                "NUMBER|can 2 of my friends come look first",
                "NUMBER|is it ok if 3 of them are in wheelchairs",
                "NUMBER|do you close at 6",
                "MONEY|is it dark by 8 in march"
            })
    void whatAQuestionOnlySpeaksOfIsNoAnswer(ValueType type, String text) {
        assertThat(Reader.reply(type, text, at("GB"))).isEqualTo(Reading.NOTHING);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DATE|is the 12th of june all right|Friday 12 June 2026",
                "DATE|could we come on sunday|Sunday 15 March 2026",
                "NUMBER|can you do 40|40",
                "NUMBER|would 12 of us fit in|12",
                "MONEY|is £3000 enough|£3,000"
            })
    void whatAQuestionProposesIsOne(ValueType type, String text, String value) {
        assertThat(read(type, text, "GB")).isEqualTo(value);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "DATE|wed like food",
                "DATE|the 3rd Tarnfell cubs",
                "PLACE|its going to you",
                "PLACE|Mr Koenig",
            })
    void whatOnlyLooksLikeAValueIsNone(ValueType type, String text) {
        assertThat(read(type, text, "GB")).isEqualTo("nothing");
    }

    @Test
    void anyWordsAreAText() {
        assertThat(read(ValueType.TEXT, "The focuser is stuck", "GB")).isEqualTo("The focuser is stuck");
        assertThat(read(ValueType.TEXT, "its a heron 130", "GB")).isEqualTo("heron 130");
        assertThat(read(ValueType.TEXT, "Well, mine's called Old Bess", "GB")).isEqualTo("Old Bess");
        assertThat(read(ValueType.TEXT, "It's a long story about the mirror", "GB"))
                .isEqualTo("It's a long story about the mirror");
        assertThat(read(ValueType.TEXT, "It's broken", "GB")).isEqualTo("It's broken");
        assertThat(read(ValueType.LONG_TEXT, "It's a dent", "GB")).isEqualTo("It's a dent");
        assertThat(read(ValueType.TEXT, "rather not say", "GB")).isEqualTo("refused");
        assertThat(Reader.reply(ValueType.TEXT, "  ", at("GB"))).isEqualTo(Reading.NOTHING);
    }

    @Property
    void noTextBreaksAReader(@ForAll String raw) {
        String text = Words.clean(raw);
        for (ValueType type : ValueType.values()) {
            assertThat(Reader.reply(type, text, at("GB"))).isNotNull();
        }
    }
}
