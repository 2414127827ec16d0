package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LikeTest {

    @ParameterizedTest
    @CsvSource({"Dana,%dana%", "100%,%100!%%", "a_b,%a!_b%", "wow!,%wow!!%", "'  ',%%"})
    void whatIsSearchedForIsTakenLiterally(String search, String pattern) {
        assertThat(Like.containing(search)).isEqualTo(pattern);
    }
}
