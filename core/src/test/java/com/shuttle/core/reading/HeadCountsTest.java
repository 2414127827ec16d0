package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HeadCountsTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "15 kids 4 grown ups|19",
                "me, my wife and our two boys|4",
                "my husband, our two boys and me|4",
                "three of us and 2 kids|5",
                "2 of us plus my mum|3",
                "us two and the baby|3",
                "35 plus 5 staff|40",
                "32 children in year 5, 4 adults|36",
                "two classes of 28|56",
                "six of us, two adults and four children|-",
                "ten of us|-",
                "me|-",
                "my mum and dad|-",
                "2 adults and 3 kids, so 5|-",
                "the driver|-",
                "a friend told me|-",
            })
    void partsAreAddedUp(String text, String count) {
        assertThat(HeadCounts.sum(text)
                        .map(heads -> Integer.toString(heads.count()))
                        .orElse("-"))
                .isEqualTo(count);
    }
}
