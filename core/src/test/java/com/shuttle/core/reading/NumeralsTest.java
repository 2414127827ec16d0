package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NumeralsTest {

    private static final String[] ONES =
            "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen"
                    .split(" ");
    private static final String[] TENS = "x x twenty thirty forty fifty sixty seventy eighty ninety".split(" ");

    /** A number under a million in English words. */
    private static String spelled(int n) {
        if (n < 20) {
            return ONES[n];
        }
        if (n < 100) {
            return TENS[n / 10] + (n % 10 == 0 ? "" : "-" + ONES[n % 10]);
        }
        if (n < 1000) {
            return ONES[n / 100] + " hundred" + (n % 100 == 0 ? "" : " and " + spelled(n % 100));
        }
        String rest = n % 1000 == 0 ? "" : n % 1000 < 100 ? " and " + spelled(n % 1000) : " " + spelled(n % 1000);
        return spelled(n / 1000) + " thousand" + rest;
    }

    private static BigDecimal parsed(String text, String region) {
        Numerals.Parsed parsed = Numerals.at(Tokens.of(text), 0, ReaderTest.at(region));
        assertThat(parsed).as(text).isNotNull();
        assertThat(parsed.next())
                .as("the whole of %s", text)
                .isEqualTo(Tokens.of(text).size());
        return parsed.value();
    }

    @Property
    void everyNumberInWordsIsRead(@ForAll @IntRange(max = 999_999) int number) {
        assertThat(parsed(spelled(number), "GB")).isEqualByComparingTo(BigDecimal.valueOf(number));
    }

    @Property
    void everyNumberInFiguresIsReadInTheHabitsOfItsRegion(@ForAll @IntRange(max = 99_999_999) int hundredths) {
        BigDecimal number = BigDecimal.valueOf(hundredths, 2);
        String british = String.format(java.util.Locale.UK, "%,.2f", number);
        String german = String.format(java.util.Locale.GERMANY, "%,.2f", number);
        assertThat(parsed(british, "GB")).isEqualByComparingTo(number);
        assertThat(parsed(german, "DE")).isEqualByComparingTo(number);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "1,25,000|IN|125000",
                "1.250,50|DE|1250.5",
                "2.5k|GB|2500",
                "3 hundred|GB|300",
                "two and a half|GB|2.5",
                "half a million|GB|500000",
                "a couple of thousand|GB|2000",
                "a baker's dozen|GB|13",
                "1½|GB|1.5",
                "minus seven|GB|-7",
                "fourteen hundred|GB|1400",
                "two dozen|GB|24",
                "3 lakh|IN|300000",
            })
    void mixedFormsAreRead(String text, String region, BigDecimal number) {
        assertThat(parsed(text, region)).isEqualByComparingTo(number);
    }

    @Test
    void whatIsNoNumberIsNone() {
        for (String text :
                new String[] {"a few", "some", "an hour", "half", "7:30", "12.30.45", "hello", "", "9".repeat(30)}) {
            assertThat(Numerals.at(Tokens.of(text), 0, ReaderTest.at("GB")))
                    .as(text)
                    .isNull();
        }
    }
}
