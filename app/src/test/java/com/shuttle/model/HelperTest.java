package com.shuttle.model;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.standins.ModelServer;
import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import java.io.IOException;
import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class HelperTest {

    private static final Finding UNSURE = new Finding(
            Outcome.SUGGEST,
            0.4,
            List.of(
                    match("a", "Where can I park?", 0.4, "Behind the dome, for £2."),
                    match("b", "May dogs come?", 0.3, "Dogs come on a lead.")));

    private final ModelService settings = mock(ModelService.class);
    private ModelServer server;
    private Helper helper;

    private static Match match(String ref, String title, double confidence, String answer) {
        return new Match(ref, Source.ENTRY, title, confidence, List.of(answer), new Why(title, 0, 0, List.of()));
    }

    @BeforeEach
    void start() throws IOException {
        server = ModelServer.start(0);
        helper = new Helper(
                settings, new Completions(new Outgoing(Set.of("127.0.0.1")), InstantSource.fixed(Instant.EPOCH)));
    }

    @AfterEach
    void stop() {
        server.close();
    }

    private Finding helped(String model, int millis, String question, Finding finding) {
        String address = "http://127.0.0.1:" + server.port() + "/v1/chat/completions";
        when(settings.settings()).thenReturn(new ModelSettings(true, address, model, "secret", millis));
        return helper.help(question, finding);
    }

    @Test
    void itChoosesAmongTheCandidatesAndRewordsTheAnswer() {
        Finding finding = helped("plain", 5000, "can dogs come along", UNSURE);
        assertThat(finding.outcome()).isEqualTo(Outcome.ANSWER);
        assertThat(finding.reply()).isEqualTo("Here you are: Dogs come on a lead.");
        assertThat(finding.note()).isEqualTo("chose 2 of 2, “May dogs come?”; reworded the answer");
    }

    @Test
    void itMayChooseNone() {
        Finding finding = helped("plain", 5000, "who painted the whale", UNSURE);
        assertThat(finding.outcome()).isEqualTo(Outcome.NONE);
        assertThat(finding.note()).isEqualTo("chose none of 2");
    }

    @Test
    void whatItBringsInIsDropped() {
        Finding finding = helped("inventor", 5000, "can dogs come along", UNSURE);
        assertThat(finding.reply()).isEqualTo("Dogs come on a lead.");
        assertThat(finding.note()).contains("its wording was dropped for the number 4711, the name Wilmot");
    }

    @ParameterizedTest
    @ValueSource(strings = {"sleeper", "mumbler"})
    void withoutAReplyTheFindingStaysAndTheModelIsLeftAlone(String model) {
        Finding finding = helped(model, 300, "can dogs come along", UNSURE);
        assertThat(finding).isEqualTo(UNSURE.noted("gave no choice"));
        assertThat(helped("plain", 5000, "can dogs come along", UNSURE).note()).isEqualTo("gave no choice");
        assertThat(helper.replies()).isTrue();
        assertThat(helped("plain", 5000, "can dogs come along", UNSURE).note()).startsWith("chose 2");
    }

    @Test
    void itIsNotAskedWhereItIsOffOrNothingWasFound() {
        when(settings.settings()).thenReturn(ModelSettings.NONE);
        assertThat(helper.help("dogs", UNSURE)).isSameAs(UNSURE);
        assertThat(helped("plain", 5000, "dogs", Finding.NOTHING)).isSameAs(Finding.NOTHING);
    }

    @Test
    void rowsOfTablesAreSaidAsTheyAre() {
        Match rows =
                new Match("t?q", Source.TABLE, "Boats", 0.95, List.of("- Heron"), new Why("Boats", 0, 1, List.of()));
        Finding finding = new Finding(Outcome.ANSWER, 0.95, List.of(rows));
        assertThat(helped("plain", 5000, "which boats", finding)).isEqualTo(finding);
    }

    @Test
    void settingsAreChecked() {
        Checked<ModelSettings> checked = new ModelSettings(true, "ftp://x", "", "", 5).checked();
        assertThat(((Checked.Bad<ModelSettings>) checked).errors()).containsOnlyKeys("address", "model", "millis");
        assertThat(ModelSettings.NONE.checked()).isEqualTo(Checked.good(ModelSettings.NONE));
    }
}
