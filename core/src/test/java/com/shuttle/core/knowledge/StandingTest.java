package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StandingTest {

    @ParameterizedTest
    @CsvSource({
        "true,,,true,false",
        "false,,,false,false",
        "true,2026-06-01,,true,false",
        "true,2026-06-02,,false,false",
        "true,,2026-06-01,true,false",
        "true,,2026-05-31,false,true",
        "true,2026-05-01,2026-07-01,true,false",
        "false,2026-05-01,2026-05-31,false,true"
    })
    void firstAndLastDayAreWithin(boolean published, LocalDate from, LocalDate until, boolean holds, boolean over) {
        Standing standing = new Standing(published, from, until);
        assertThat(standing.holds(LocalDate.of(2026, 6, 1))).isEqualTo(holds);
        assertThat(standing.over(LocalDate.of(2026, 6, 1))).isEqualTo(over);
    }

    @Test
    void whatHasNoneIsSaidAlways() {
        Entry entry = new Entry("a", List.of("A?"), List.of("B"), "", null);
        Article article = new Article("b", "B", "Text", "", null);
        Content content = new Content(List.of(entry), List.of(article), List.of());
        assertThat(content.on(LocalDate.MIN)).isEqualTo(content);
    }
}
