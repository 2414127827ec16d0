package com.shuttle.core.acts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Meaning;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What was learnt of acts and ships: from which samples, and how it is read. */
class LearntTest {

    /** A vector of nothing: what is left are words and figures. */
    private static final Meaning BLANK = new Meaning() {
        @Override
        public Embedding readText(Model model, String text) {
            return Embedding.of(new float[384]);
        }

        @Override
        public Embedding readQuestion(Model model, String question) {
            return Embedding.of(new float[384]);
        }
    };

    @Test
    void whatShipsWasLearntFromTheSamplesAsTheyAre() {
        assertThat(ActWeights.shipped().hash)
                .as("the samples changed; ./shuttle learn makes the weights anew")
                .isEqualTo(Samples.hash());
    }

    @Test
    void everySampleIsWholeAndItsClausesStandInIt() {
        List<Samples.Message> all = Samples.all();
        assertThat(all).hasSizeGreaterThan(6_000);
        for (Samples.Message message : all) {
            for (Samples.Clause clause : message.clauses()) {
                assertThat(message.text().startsWith(clause.text(), clause.start()))
                        .as(message.text())
                        .isTrue();
            }
        }
    }

    @Test
    void whatIsWrittenIsReadAgain() throws IOException {
        ActTraining.Example yes = example("yes please", Kind.AGREE);
        ActTraining.Example where = example("where are you?", Kind.KNOWLEDGE);
        ActWeights weights = ActTraining.fit(List.of(yes, where, yes, where, yes, where), "h", 1);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        weights.write(out);
        ActWeights read = ActWeights.read(new ByteArrayInputStream(out.toByteArray()));
        assertThat(read.hash).isEqualTo("h");
        for (ActTraining.Example one : List.of(yes, where)) {
            Odds odds = read.odds(one.features());
            assertThat(odds).isEqualTo(weights.odds(one.features()));
            assertThat(odds.kind()).isEqualTo(one.kind());
        }
    }

    private static ActTraining.Example example(String text, Kind kind) {
        return Learn.example(
                new Samples.Message("", "", Situation.NONE, text, List.of(new Samples.Clause(text, 0, kind))),
                0,
                BLANK);
    }

    @Test
    void whatIsOfAnotherVersionIsRefusedAndSaysHowToMendIt() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        new DataOutputStream(out).writeUTF("shuttle-acts/0");
        assertThatThrownBy(() -> ActWeights.read(new ByteArrayInputStream(out.toByteArray())))
                .isInstanceOf(IllegalStateException.class)
                .hasMessageContaining("shuttle-acts/0")
                .hasMessageContaining("./shuttle learn");
    }

    @Test
    void oddsSumToOneAndActsAreTheSumsOfTheirKinds() {
        Odds odds = ActWeights.shipped()
                .odds(example("how late are you open", Kind.KNOWLEDGE).features());
        double all = 0;
        Set<Act> acts = new HashSet<>();
        for (Act act : Act.values()) {
            all += odds.of(act);
            acts.add(odds.kind(act).act());
        }
        assertThat(all).isBetween(0.999, 1.001);
        assertThat(acts).containsExactlyInAnyOrder(Act.values());
        assertThat(odds.of(Act.ASK)).isGreaterThanOrEqualTo(odds.of(Kind.KNOWLEDGE));
        assertThat(Odds.UNKNOWN.of(Act.GIVE)).isZero();
        assertThat(Odds.UNKNOWN.known()).isFalse();
    }

    @Test
    void aMessageIsCutWhereSomethingElseBegins() {
        Cutting cutting = Cutting.shipped();
        assertThat(cut(cutting, "Saturday please. Do you have parking?"))
                .containsExactly("Saturday please.", "Do you have parking?");
        assertThat(cut(cutting, "40 of us and can we bring a dog"))
                .containsExactly("40 of us", "and can we bring a dog");
        assertThat(cut(cutting, "the 14th of June")).containsExactly("the 14th of June");
        assertThat(cut(cutting, "  ")).isEmpty();
        assertThat(cut(cutting, "🙂🙂")).containsExactly("🙂🙂");
    }

    private static List<String> cut(Cutting cutting, String text) {
        return cutting.cut(text).stream()
                .map(span -> text.substring(span.start(), span.end()))
                .toList();
    }

    @Test
    void whateverIsSentIsCutIntoFewClausesThatStandApartInIt() {
        Cutting cutting = Cutting.shipped();
        for (String text :
                List.of("a ".repeat(2_000), "?!".repeat(300), "no, wait. ".repeat(100), "x".repeat(4_000), "\n\n.\n")) {
            List<String> clauses = cut(cutting, text);
            assertThat(clauses).hasSizeLessThanOrEqualTo(Cutting.MOST_CLAUSES).allMatch(clause -> !clause.isBlank());
            assertThat(String.join("", clauses).replaceAll("\\s", "")).isEqualTo(text.replaceAll("\\s", ""));
        }
    }

    /** Samples that are learnt from, so that only a mistake in reading or weighing them can make this fail. */
    @Test
    void clausesAreToldByTheModelsThatShip() {
        ActReader reader = new ActReader(Learn.keeping(Meaning.shipped()));
        List<Samples.Message> some = Samples.of("manners.txt").stream()
                .filter(message -> message.text().length() % 5 == 0)
                .toList();
        long right = some.stream().filter(message -> told(reader, message)).count();
        assertThat(right / (double) some.size()).isGreaterThan(0.9);
    }

    private static boolean told(ActReader reader, Samples.Message message) {
        List<String> clauses =
                message.clauses().stream().map(Samples.Clause::text).toList();
        List<Odds> odds = reader.read(clauses, message.situation(), Learn.CONTEXT, List.of());
        return IntStream.range(0, clauses.size())
                .allMatch(i ->
                        odds.get(i).act() == message.clauses().get(i).kind().act());
    }
}
