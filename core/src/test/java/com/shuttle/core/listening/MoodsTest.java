package com.shuttle.core.listening;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class MoodsTest {

    @ParameterizedTest
    @ValueSource(
            strings = {
                "dunno",
                "I don't know yet",
                "no idea",
                "can't say yet",
                "we haven't decided",
                "not sure",
                "um, not really sure",
                "idk",
                "it depends",
                "I'm not sure at the moment",
                "TBC",
                "skip",
                "we don’t know exactly"
            })
    void whoDoesNotKnow(String text) {
        assertThat(Moods.isUnsure(text)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "I don't know the postcode but the street is Mill Lane",
                "not sure, maybe 12",
                "yes",
                "open on Sundays?",
                "idea",
                "do you know when you open?",
                "skip the dinner"
            })
    void whoSaysSomething(String text) {
        assertThat(Moods.isUnsure(text)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"never mind", "oh forget it", "we changed our minds", "I don't want it any more"})
    void whoWantsOut(String text) {
        assertThat(Moods.wantsOut(text)).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"cancel the wheel, keep the glaze", "never mind the cost, is it warm?", "let's not go before six"
            })
    void whoDoesNot(String text) {
        assertThat(Moods.wantsOut(text)).isFalse();
    }

    @ParameterizedTest
    @ValueSource(strings = {"this is useless", "what a waste of time", "you don’t get it", "for heaven's sake"})
    void whoIsAngry(String text) {
        assertThat(Moods.isAngry(text)).isTrue();
    }
}
