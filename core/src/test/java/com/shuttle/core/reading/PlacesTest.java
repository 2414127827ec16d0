package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PlacesTest {

    @Test
    void countriesAreInTheirRegionsNarrowestFirst() {
        assertThat(Places.around("France")).contains("European Union").endsWith("Western Europe", "Europe");
        assertThat(Places.around("kenya")).endsWith("Eastern Africa", "Africa");
        assertThat(Places.around("the Netherlands")).contains("Europe");
        assertThat(Places.around("Scotland")).contains("Europe").doesNotContain("European Union");
        assertThat(Places.around("Western Europe")).containsExactly("Europe");
        assertThat(Places.around("Tarnfell")).isEmpty();
        assertThat(Places.around("")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Do you deliver to France?|europe|Do you deliver to Europe?",
                "do you post to south korea|asia|do you post to Asia",
                "Do you deliver to France?|europe;france|Do you deliver to France?",
                "Do you deliver to France?|africa|Do you deliver to France?",
                "post to Spain and Kenya|europe;africa|post to Europe and Africa",
                "is it in the eu or in england|europe|is it in the eu or in Europe",
                "a turkey sandwich|asia;europe|a turkey sandwich",
                "from Turkey|asia|from Asia",
                "|europe|",
                "???|europe|???",
            })
    void aPlaceIsAskedForAsTheRegionThatIsKnown(String question, String known, String asked) {
        Set<String> names = Set.of(known.split(";"));
        assertThat(Places.widened(question == null ? "" : question, names::contains))
                .isEqualTo(asked == null ? "" : asked);
    }
}
