package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.TableAnswers;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** With the real sentence model, loaded once. */
class KnowledgeIndexTest {

    private static final Meaning MEANING = Meaning.of(Meaning.shipped());

    private static final Table LAMPS = new Table(
            "lamps",
            "Lamps",
            List.of(),
            List.of(
                    new Column("n", "Lamp", Kind.TEXT, ""),
                    new Column("w", "Weight", Kind.NUMBER, "g"),
                    new Column("p", "Price", Kind.MONEY, "GBP")),
            List.of(
                    new Table.Row("1", Map.of("n", "Glow", "w", "120", "p", "14")),
                    new Table.Row("2", Map.of("n", "Beam", "w", "400", "p", "30"))),
            true);

    private static final Content CONTENT = new Content(
            List.of(
                    entry(
                            "hours",
                            "When are you open?|What are your opening hours?",
                            "Wednesday to Sunday, ten to five."),
                    entry(
                            "parking",
                            "Is there parking?|Where can I leave the car?",
                            "Parking is free in the lower car park."),
                    entry("dogs", "Can I bring my dog?|Are dogs allowed?", "Dogs may come on a lead on the grounds."),
                    entry(
                            "price",
                            "How much are tickets?|What does it cost to get in?",
                            "A show is nine pounds, six for children."),
                    entry(
                            "cloud",
                            "What happens if it is cloudy?|Do you refund when it rains?",
                            "We show the sky in the dome instead."),
                    entry("borrow", "Can I borrow a telescope?", "Members may borrow one for a week."),
                    entry(
                            "wheelchair",
                            "Is it accessible for wheelchairs?|Is there a lift?",
                            "Yes: a ramp and a lift.")),
            List.of(new Article(
                    "volunteering",
                    "Volunteering",
                    "Volunteers help at night.\n\n## Training\n\nNew volunteers are trained over three evenings in February."
                            + " You get a red torch to keep.\n\n## Clothing\n\nWe lend warm jackets.",
                    "People")),
            List.of(List.of("telescope", "spyglass")));

    private static final KnowledgeIndex INDEX = new KnowledgeIndex(CONTENT, MEANING, Calibration.USUAL);

    private static Entry entry(String ref, String phrasings, String answer) {
        return new Entry(ref, List.of(phrasings.split("\\|")), List.of(answer), "");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "when do you open|hours",
                "opening times|hours",
                "somewhere to park my car|parking",
                "are dogs ok|dogs",
                "how expensive is a ticket|price",
                "what if there are clouds|cloud",
                "can i borow a telescop|borrow",
                "may I borrow a spyglass|borrow",
                "is it ok in a wheelchair?|wheelchair",
                "how are new volunteers trained|volunteering",
            })
    void answersParaphrasesKeywordsSlipsAndSynonyms(String question, String ref) {
        Finding finding = INDEX.ask(List.of(question));
        assertThat(finding.matches().getFirst().ref()).isEqualTo(ref);
        assertThat(finding.outcome())
                .as("%s: %.2f", question, finding.confidence())
                .isNotEqualTo(Outcome.NONE);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "A show. How many tickets would you like?|how much is it|price",
                "Borrowing a telescope. From which day?|can i|borrow",
                "Volunteering. What is your name?|how long does it take|volunteering",
                "Volunteering. What is your name?|can i bring my dog|dogs",
                "A show. How many tickets would you like?|is there somewhere to park|parking",
            })
    void aQuestionIsCompletedByItsSubjectAsFarAsItSaysNothingItself(String about, String question, String ref) {
        Finding finding = INDEX.ask(new Inquiry(List.of(question), about, false), AskedTables.NONE);
        assertThat(finding.matches().getFirst().ref()).isEqualTo(ref);
    }

    @Test
    void whatAQuestionWasCompletedWithIsToldWhereItFindsSomethingElseByItself() {
        Finding dogs = INDEX.ask(List.of("are dogs allowed"));
        Finding parking = INDEX.ask(List.of("is there parking"));
        assertThat(dogs.leaningOn("the grounds", parking).leant()).isEqualTo("the grounds");
        assertThat(dogs.leaningOn("the grounds", dogs).leant()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "what is the capital of France",
        "tell me a joke about penguins",
        "do you sell second-hand lawnmowers",
        "asdf qwer",
        "my invoice is wrong"
    })
    void doesNotAnswerWhatItDoesNotKnow(String question) {
        assertThat(INDEX.ask(List.of(question)).outcome()).isNotEqualTo(Outcome.ANSWER);
    }

    @Test
    void aStoredPhrasingIsAnsweredWithConfidence() {
        Finding finding = INDEX.ask(List.of("Can I bring my dog?"));
        assertThat(finding.outcome()).isEqualTo(Outcome.ANSWER);
        assertThat(finding.confidence()).isGreaterThan(0.9);
        assertThat(finding.reply()).isEqualTo("Dogs may come on a lead on the grounds.");
    }

    @Test
    void everyMatchTellsWhy() {
        Match match = INDEX.ask(List.of("where can I park the car")).matches().getFirst();
        assertThat(match.why().nearest()).isEqualTo("Where can I leave the car?");
        assertThat(match.why().meaning()).isBetween(0.4, 1.0);
        assertThat(match.why().sharedWords()).contains("park", "car");
    }

    @Test
    void articlesAreAnsweredFromByPassage() {
        Match match = INDEX.ask(List.of("do new volunteers in training get a red torch"))
                .matches()
                .getFirst();
        assertThat(match.source()).isEqualTo(Source.ARTICLE);
        assertThat(match.title()).isEqualTo("Volunteering: Training");
        assertThat(match.answers().getFirst())
                .as("below its heading")
                .startsWith("**Training**\n\n")
                .contains("red torch");
    }

    @Test
    void aCountryIsAnsweredForByItsRegion() {
        KnowledgeIndex post = new KnowledgeIndex(
                new Content(
                        List.of(
                                entry("europe", "Do you post parcels to Europe?", "To Europe it takes a week."),
                                entry("africa", "Do you post parcels to Africa?", "Not to Africa."),
                                entry("shop", "Is there a shop?", "By the door.")),
                        List.of(),
                        List.of()),
                MEANING,
                Calibration.USUAL);
        assertThat(post.ask(List.of("do you post parcels to france")).reply()).isEqualTo("To Europe it takes a week.");
        assertThat(post.ask(List.of("can you send a parcel to Kenya?"))
                        .matches()
                        .getFirst()
                        .ref())
                .isEqualTo("africa");
    }

    @Test
    void aFollowUpIsCompletedFromTheQuestionBefore() {
        Finding finding = INDEX.ask(List.of("how much are tickets", "and for children?"));
        assertThat(finding.matches().getFirst().ref()).isEqualTo("price");
    }

    @Test
    void tablesAreAskedBesideTheRest() {
        AskedTables tables = new AskedTables(List.of(new TableAnswers(LAMPS)));
        Finding finding = INDEX.ask(List.of("which lamps are ligther than 300 g?"), tables);
        assertThat(finding.outcome()).isEqualTo(Outcome.ANSWER);
        Match match = finding.matches().getFirst();
        assertThat(match.source()).isEqualTo(Source.TABLE);
        assertThat(match.answers().getFirst()).isEqualTo("Lamps lighter than 300 g:\n\n- **Glow**: 120 g, £14");
        assertThat(TableMatch.table(match.ref())).contains("lamps");
        assertThat(TableMatch.again(new TableAnswers(LAMPS), match.ref())).contains(match);
        assertThat(INDEX.ask(List.of("which lamps are lighter than 500 g", "and the cheapest?"), tables)
                        .reply())
                .contains("Glow")
                .doesNotContain("Beam");
        assertThat(INDEX.ask(List.of("Can I bring my dog?"), tables).reply()).contains("on a lead");
        assertThat(new KnowledgeIndex(Content.EMPTY, MEANING, Calibration.USUAL)
                        .ask(List.of("cheapest lamp"), tables)
                        .reply())
                .contains("Glow");
    }

    @Test
    void matchesComeBestFirstAndAtLeastFive() {
        List<Match> matches =
                INDEX.ask(List.of("what is the capital of France")).matches();
        assertThat(matches).hasSizeGreaterThanOrEqualTo(5);
        assertThat(matches).isSortedAccordingTo((a, b) -> Double.compare(b.confidence(), a.confidence()));
        assertThat(matches).extracting(Match::ref).doesNotHaveDuplicates();
    }

    @Test
    void severalQuestionsInOneMessageAreEachAnswered() {
        Finding finding = INDEX.ask(List.of("Hi. Can I bring my dog? And is there parking?"));
        assertThat(finding.outcome()).isEqualTo(Outcome.ANSWER);
        assertThat(finding.matches().getFirst().ref()).isEqualTo("dogs");
        assertThat(finding.also()).extracting(Match::ref).containsExactly("parking");
        assertThat(finding.reply())
                .isEqualTo("Dogs may come on a lead on the grounds.\n\nParking is free in the lower car park.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "Wo kann ich mein Auto parken?",
                "Est-ce que les chiens sont permis dans le parc?",
                "駐車場はありますか",
                "🙂🙂",
                "???"
            })
    void whatIsNotReadIsNotAnswered(String question) {
        assertThat(INDEX.ask(List.of(question)).outcome()).isEqualTo(Outcome.NONE);
    }

    @Test
    void ofALongPassageTheSentencesThatAnswerAreSaid() {
        Match match = INDEX.ask(List.of("over how many evenings are volunteers trained"))
                .matches()
                .getFirst();
        assertThat(match.answers().getFirst()).contains("three evenings").doesNotContain("warm jackets");
    }

    @Test
    void aCollectionOfOneEntryAnswersWhatItIsAboutAndNothingElse() {
        KnowledgeIndex one = new KnowledgeIndex(
                new Content(List.of(CONTENT.entries().get(1)), List.of(), List.of()), MEANING, Calibration.USUAL);
        assertThat(one.ask(List.of("where may I leave my car")).outcome()).isEqualTo(Outcome.ANSWER);
        assertThat(one.ask(List.of("what is the capital of France")).outcome()).isNotEqualTo(Outcome.ANSWER);
    }

    @Test
    void aQuestionOfTenThousandWordsIsAsked() {
        assertThat(INDEX.ask(List.of("why ".repeat(10_000) + "?")).matches()).isNotEmpty();
    }

    @Test
    void nothingIsFoundInNothing() {
        KnowledgeIndex empty = new KnowledgeIndex(Content.EMPTY, MEANING, Calibration.USUAL);
        assertThat(empty.ask(List.of("anything"))).isEqualTo(Finding.NOTHING);
        assertThat(INDEX.ask(List.of(" "))).isEqualTo(Finding.NOTHING);
        assertThat(Finding.NOTHING.reply()).isEmpty();
    }

    @Test
    void wordsWithMeaningInAQuerySyntaxAreOnlyWords() {
        assertThat(INDEX.ask(List.of("+dogs AND -cats OR (title:\"x\" ~2) [a TO b] *?"))
                        .matches())
                .isNotEmpty();
        assertThat(INDEX.ask(List.of("x".repeat(4000))).outcome()).isNotEqualTo(Outcome.ANSWER);
    }

    @Test
    void vectorsHaveUnitLength() {
        for (String text : List.of("hello", "", "日本語", "a".repeat(3000))) {
            double square = 0;
            for (float x : MEANING.ofText(Meaning.Model.SENTENCES, text)) {
                square += x * x;
            }
            assertThat(square).isCloseTo(1, org.assertj.core.data.Offset.offset(1e-4));
        }
    }

    @Test
    void bandsAreChecked() {
        assertThatThrownBy(() -> new Calibration(0.3, 0.5))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("suggestFrom 0.5 and answerFrom 0.3");
        assertThat(new Calibration(0.6, 0.2).outcome(0.6)).isEqualTo(Outcome.ANSWER);
        assertThat(new Calibration(0.6, 0.2).outcome(0.2)).isEqualTo(Outcome.SUGGEST);
        assertThat(new Calibration(0.6, 0.2).outcome(0.19)).isEqualTo(Outcome.NONE);
    }

    @Test
    void aMatchCarriesTheArticleAndHeadingToReadOnAt() {
        Finding found = INDEX.ask(List.of("how are volunteers trained?"));
        assertThat(found.matches().getFirst().readOn())
                .isEqualTo(new Finding.ReadOn("volunteering", "Volunteering", "Training"));
        assertThat(INDEX.ask(List.of("is there parking?")).matches().getFirst().readOn())
                .isNull();
    }

    @Test
    void whatWasOfferedIsFoundAgainByItsRef() {
        assertThat(INDEX.byRef("dogs", AskedTables.NONE).orElseThrow().answers())
                .containsExactly("Dogs may come on a lead on the grounds.");
        assertThat(INDEX.byRef("volunteering", AskedTables.NONE)
                        .orElseThrow()
                        .answers()
                        .getFirst())
                .contains("## Clothing");
        assertThat(INDEX.byRef("gone", AskedTables.NONE)).isEmpty();
    }
}
