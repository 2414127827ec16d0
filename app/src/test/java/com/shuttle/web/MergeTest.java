package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MergeTest {

    @Test
    void whatOneLeftAsItWasIsTakenFromTheOther() {
        Merge merge = Merge.of(
                Map.of("name", "Heron", "note", "", "zone", "UTC"),
                Map.of("name", "Heron II", "note", " ", "zone", "UTC"),
                Map.of("name", "Heron", "note", "a\nb", "zone", "UTC"));
        assertThat(merge.theirs()).isEmpty();
        assertThat(merge.values()).containsAllEntriesOf(Map.of("name", "Heron II", "note", "a\nb", "zone", "UTC"));
    }

    @Test
    void whatBothChangedIsToldWithTheOtherSideAndSentAgainPutsMineInItsPlace() {
        Map<String, String> typed = Map.of("name", "Mine");
        Map<String, String> now = Map.of("name", "Theirs");
        Merge first = Merge.of(Map.of("name", "Was"), typed, now);
        assertThat(first.errors().get("name")).contains("“Theirs”");
        assertThat(first.values()).containsEntry("name", "Mine");
        Merge again = Merge.of(first.seen(), typed, now);
        assertThat(again.errors()).isEmpty();
        assertThat(again.values()).containsEntry("name", "Mine");
    }

    @Test
    void aFormThatDoesNotSayWhatItShowedIsTakenAsItIs() {
        assertThat(Merge.of(Map.of("name", "Mine", Merge.WAS, "{no json"), Map.of("name", "Theirs"))
                        .values())
                .containsEntry("name", "Mine");
    }

    /** Nothing is lost unsaid: a change of mine stands; one of theirs stands, or I am told of it. */
    @Test
    void noSideIsLost() {
        List<String> texts = List.of("", "one", "two");
        for (String was : texts) {
            for (String mine : texts) {
                for (String now : texts) {
                    Merge merge = Merge.of(Map.of("f", was), Map.of("f", mine), Map.of("f", now));
                    String result = merge.values().getOrDefault("f", "");
                    assertThat(result).isEqualTo(mine.equals(was) ? now : mine);
                    assertThat(result.equals(now)
                                    || now.equals(was)
                                    || merge.errors().containsKey("f"))
                            .as("%s: %s and %s", was, mine, now)
                            .isTrue();
                }
            }
        }
    }
}
