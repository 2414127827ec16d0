package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.knowledge.Health.Astray;
import com.shuttle.core.knowledge.Health.Claim;
import com.shuttle.core.knowledge.Health.Echo;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class HealthCheckTest {

    private static final Meaning MEANING = Meaning.of(Meaning.shipped());
    private static final LocalDate TODAY = LocalDate.of(2026, 6, 1);

    private static Health health(Content content) {
        KnowledgeIndex index = new KnowledgeIndex(content.on(TODAY), MEANING, Calibration.USUAL);
        return HealthCheck.of(content, index, MEANING, TODAY, Map.of());
    }

    private static Entry entry(String ref, String answer, String... phrasings) {
        return new Entry(ref, List.of(phrasings), List.of(answer), "");
    }

    @Test
    void aSoundCollectionHasFullMarks() {
        Health health = health(new Content(
                List.of(
                        entry("a", "Parking is free below the hill.", "Where can I park?", "Is there a car park?"),
                        entry("b", "Dogs may come on a lead.", "Are dogs allowed?", "Can I bring my dog?")),
                List.of(),
                List.of()));
        assertThat(health.score()).isEqualTo(100);
        assertThat(health.tested()).isEqualTo(2);
    }

    @Test
    void faultsAreFoundWithTheirSentences() {
        Content content = new Content(
                List.of(
                        entry(
                                "price",
                                "A ticket for the show costs £9.",
                                "How much is a ticket?",
                                "May I bring my dog?"),
                        entry("dogs", "Dogs may come on a lead.", "Are dogs allowed?", "Can I bring my dog along?"),
                        entry("pets", "Ask at the desk about pets.", "are DOGS allowed"),
                        new Entry(
                                "old",
                                List.of("When is the summer fair?"),
                                List.of("On 3 May."),
                                "",
                                new Standing(true, null, TODAY.minusDays(1)))),
                List.of(new Article("art", "Prices", "A ticket for the show costs £12.\n\n![](/media/x)", "")),
                List.of());
        Health health = health(content);
        assertThat(health.astray())
                .containsExactly(new Astray("May I bring my dog?", "How much is a ticket?", "Are dogs allowed?"));
        assertThat(health.claims())
                .contains(new Claim("Are dogs allowed?", "are DOGS allowed", "Are dogs allowed?", "are DOGS allowed"));
        assertThat(health.echoes())
                .containsExactly(new Echo(
                        "How much is a ticket?",
                        "Prices",
                        "A ticket for the show costs £9.",
                        "A ticket for the show costs £12.",
                        true));
        assertThat(health.over()).containsExactly("When is the summer fair?");
        assertThat(health.mute()).containsExactly("Prices");
        assertThat(health.score()).isBetween(1, 80);
    }

    @Test
    void nothingIsSound() {
        assertThat(health(Content.EMPTY).score()).isEqualTo(100);
    }

    @Test
    void whatNeverAnswersIsToldOnceEnoughWasAsked() {
        Content content = new Content(
                List.of(
                        new Entry("a", List.of("Where can I park?"), List.of("Behind the hall."), ""),
                        new Entry("b", List.of("May I bring a goat?"), List.of("Goats stay outside."), "")),
                List.of(),
                List.of());
        KnowledgeIndex index = new KnowledgeIndex(content, MEANING, Calibration.USUAL);
        assertThat(HealthCheck.of(content, index, MEANING, TODAY, Map.of("a", 40))
                        .unused())
                .containsExactly("May I bring a goat?");
        assertThat(HealthCheck.of(content, index, MEANING, TODAY, Map.of("a", 4))
                        .unused())
                .isEmpty();
    }
}
