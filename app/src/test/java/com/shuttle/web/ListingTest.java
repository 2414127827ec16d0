package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.web.Listing.Column;
import com.shuttle.web.Listing.Option;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class ListingTest {

    private static Listing<String> listing(Map<String, String> parameters, int total) {
        Wanted wanted = Wanted.of(parameters);
        return Listing.of("/leads", wanted, Page.of(List.of("x"), wanted.page(), total))
                .searched("Search")
                .filter("bot", "Bot", "every bot", Option.of(List.of("vesper", "dome hire")))
                .filter("team", "Team", "every team", List.of())
                .columns(
                        Column.sorted("Name", "name"),
                        Column.plain("Email"),
                        Column.sorted("Last", "last").number());
    }

    @Test
    void addressesKeepWhatWasAskedFor() {
        Listing<String> listing = listing(Map.of("q", "a&b", "bot", "dome hire", "ask", "else", "page", "2"), 60);
        assertThat(listing.at(3)).isEqualTo("/leads?q=a%26b&bot=dome%20hire&page=3");
        assertThat(listing.by(listing.columns().getFirst())).isEqualTo("/leads?q=a%26b&bot=dome%20hire&sort=name");
        assertThat(listing.file()).isEqualTo("/leads.csv?q=a%26b&bot=dome%20hire");
        assertThat(listing.filters()).extracting(Listing.Filter::name).containsExactly("bot");
    }

    @Test
    void aHeadingPressedAgainTurnsTheOrder() {
        Column name = listing(Map.of(), 1).columns().getFirst();
        assertThat(listing(Map.of(), 1).ordered(name)).isNull();
        assertThat(listing(Map.of("sort", "name"), 1).ordered(name)).isEqualTo("ascending");
        assertThat(listing(Map.of("sort", "name"), 1).by(name)).isEqualTo("/leads?sort=-name");
        assertThat(listing(Map.of("sort", "-name"), 1).ordered(name)).isEqualTo("descending");
        assertThat(listing(Map.of("sort", "-name"), 1).by(name)).isEqualTo("/leads?sort=name");
    }

    @Test
    void nothingFittingIsNotTheSameAsNothingThere() {
        assertThat(listing(Map.of("q", "zebra"), 0).any()).isTrue();
        assertThat(listing(Map.of("q", " "), 0).any()).isFalse();
        assertThat(listing(Map.of("page", "-3"), 0).wanted().page()).isEqualTo(1);
    }
}
