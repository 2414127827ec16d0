package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Beside;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Inquiry;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ServerTest
class KnowledgeServiceTest {

    private final TestData data;
    private final KnowledgeService knowledge;
    private final EntryService entries;

    KnowledgeServiceTest(TestData data, KnowledgeService knowledge, EntryService entries) {
        this.entries = entries;
        this.data = data;
        this.knowledge = knowledge;
    }

    @Test
    void editsAreFoundAtOnceAndDeletedOnesNoMore() {
        String collection = data.collection("Is there parking?", "Free.");
        String entry = TestData.good(entries.add(
                collection,
                new EntryDraft(
                        "Are dogs allowed?\nMay I bring my dog?", "On a lead.", "Pets", Standing.USUAL, Ties.NONE)));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("may I bring my dog"))
                        .reply())
                .isEqualTo("On a lead.");
        TestData.good(entries.change(
                entry, new EntryDraft("Are dogs allowed?", "No longer.", "Pets", Standing.USUAL, Ties.NONE)));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .reply())
                .isEqualTo("No longer.");
        StoredEntry deleted = entries.delete(entry);
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .outcome())
                .isNotEqualTo(Outcome.ANSWER);
        entries.restore(deleted);
        entries.restore(deleted);
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .outcome())
                .isEqualTo(Outcome.ANSWER);
        assertThat(entries.entries(collection, Wanted.ALL).total()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"''|An answer|phrasings", "A question|''|answers", "A question|'  '|answers", "''|''|phrasings"})
    void anEntryNeedsAQuestionAndAnAnswer(String phrasings, String answers, String field) {
        String collection = data.collection("x", "y");
        assertThat(entries.add(collection, EntryDraft.of(phrasings, answers)))
                .isInstanceOfSatisfying(
                        Checked.Bad.class,
                        bad -> assertThat(bad.errors().containsKey(field)).isTrue());
        assertThat(entries.entries(collection, Wanted.ALL).total()).isEqualTo(1);
    }

    @Test
    void hostileTextIsKeptAsTextOrRefusedForItsLength() {
        String collection = data.collection("<script>alert(1)</script> '; drop table entry; --", "a\u202Eb");
        StoredEntry entry = entries.entries(collection, Wanted.ALL).items().getFirst();
        assertThat(entry.entry().phrasings().getFirst()).startsWith("<script>");
        assertThat(entry.entry().answers()).containsExactly("ab");
        assertThat(entries.add(collection, EntryDraft.of("q".repeat(100_000), "a")))
                .isInstanceOf(Checked.Bad.class);
        assertThat(entries.add(collection, EntryDraft.of("q", "a".repeat(100_000))))
                .isInstanceOf(Checked.Bad.class);
    }

    @Test
    void listsSearchFilterSortAndPage() {
        String collection = TestData.good(knowledge.create(data.name("Paged")));
        for (int i = 0; i < 30; i++) {
            TestData.good(entries.add(
                    collection,
                    new EntryDraft(
                            "Question %02d".formatted(i),
                            i == 7 ? "100% sure_thing" : "Answer",
                            i % 2 == 0 ? "Even" : "Odd",
                            Standing.USUAL,
                            Ties.NONE)));
        }
        assertThat(entries.entries(collection, Wanted.ALL).items()).hasSize(25);
        assertThat(entries.entries(collection, new Wanted("", Map.of(), "title", 2))
                        .items())
                .hasSize(5);
        assertThat(entries.entries(collection, new Wanted("", Map.of(), "title", 2))
                        .pages())
                .isEqualTo(2);
        assertThat(entries.entries(collection, new Wanted("100%", Map.of(), "", 1))
                        .total())
                .isEqualTo(1);
        assertThat(entries.entries(collection, new Wanted("%", Map.of(), "", 1)).total())
                .isEqualTo(1);
        assertThat(entries.entries(collection, new Wanted("r_t", Map.of(), "", 1))
                        .total())
                .isZero();
        assertThat(entries.entries(collection, new Wanted("", Map.of("category", "Odd"), "category", 1))
                        .total())
                .isEqualTo(15);
        assertThat(entries.categories(collection)).containsExactly("Even", "Odd");
        assertThat(entries.entries(collection, new Wanted("", Map.of(), "-updated", 1))
                        .items()
                        .getFirst()
                        .entry()
                        .phrasings())
                .containsExactly("Question 29");
    }

    @Test
    void severalCollectionsAreAskedTogetherEvenWithTheSameRefs() {
        String one = data.collection("Is there parking?", "Free.");
        String two = data.collection("Are dogs allowed?", "On a lead.");
        assertThat(knowledge.ask(List.of(one, two), List.of("is there parking")).reply())
                .isEqualTo("Free.");
        assertThat(knowledge.ask(List.of(two, one), List.of("are dogs allowed")).reply())
                .isEqualTo("On a lead.");
        String ref = knowledge
                .ask(List.of(one, two), List.of("are dogs allowed"))
                .matches()
                .getFirst()
                .ref();
        assertThat(knowledge.entryByRef(List.of(one, two), ref).orElseThrow().answers())
                .containsExactly("On a lead.");
        assertThat(knowledge.entryByRef(List.of(one), ref)).isEmpty();
        assertThat(knowledge.ask(List.of(), List.of("are dogs allowed")).matches())
                .isEmpty();
    }

    @Test
    void aBotChoosesAmongTheCollectionsThereAre() {
        Bot bot = data.bot();
        String collection = data.collection("x", "y");
        knowledge.setCollections(bot.id(), List.of(collection, "nonsense"));
        assertThat(knowledge.collectionsOf(bot.id())).containsExactly(collection);
        knowledge.delete(collection);
        assertThat(knowledge.collectionsOf(bot.id())).isEmpty();
        assertThatThrownBy(() -> knowledge.collection(collection)).isInstanceOf(Missing.class);
    }

    @Test
    void answersAreSeparatedByLinesOfDashes() {
        String collection = data.collection("Hello", "Hi there\n---\nGood evening\n-----\n");
        assertThat(entries.entries(collection, Wanted.ALL)
                        .items()
                        .getFirst()
                        .entry()
                        .answers())
                .containsExactly("Hi there", "Good evening");
    }

    @Test
    void aBotAnswersAsSurelyAsItMustBe() {
        String collection = data.collection("Is there parking?", "Free.");
        Bot bot = data.bot();
        knowledge.setCollections(bot.id(), List.of(collection));
        List<String> question = List.of("where may I leave the car");
        double confidence = knowledge.ask(List.of(collection), question).confidence();
        assertThat(knowledge.sureness(bot.id())).isEqualTo(Calibration.USUAL);
        TestData.good(knowledge.setSureness(bot.id(), 100, (int) (confidence * 100) - 1));
        assertThat(knowledge
                        .askFor(bot.id(), List.of(collection), Inquiry.of(question))
                        .outcome())
                .isEqualTo(Outcome.SUGGEST);
        TestData.good(knowledge.setSureness(bot.id(), 1, 1));
        assertThat(knowledge
                        .askFor(bot.id(), List.of(collection), Inquiry.of(question))
                        .outcome())
                .isEqualTo(Outcome.ANSWER);
        assertThat(knowledge.setSureness(bot.id(), 40, 50)).isInstanceOf(Checked.Bad.class);
        assertThat(knowledge.setSureness(bot.id(), 101, 50)).isInstanceOf(Checked.Bad.class);
    }

    @Test
    void draftsAndWhatDoesNotHoldTodayAreNotSaid() {
        String collection = data.collection("Is there parking?", "Free.");
        LocalDate today = LocalDate.now(ZoneOffset.UTC);
        String entry = TestData.good(entries.add(
                collection,
                new EntryDraft("Are dogs allowed?", "On a lead.", "", new Standing(false, null, null), Ties.NONE)));
        for (Standing unsaid : List.of(
                new Standing(false, null, null),
                new Standing(true, today.plusDays(2), null),
                new Standing(true, null, today.minusDays(2)))) {
            TestData.good(
                    entries.change(entry, new EntryDraft("Are dogs allowed?", "On a lead.", "", unsaid, Ties.NONE)));
            assertThat(knowledge
                            .ask(List.of(collection), List.of("are dogs allowed"))
                            .outcome())
                    .isNotEqualTo(Outcome.ANSWER);
        }
        TestData.good(entries.change(
                entry,
                new EntryDraft(
                        "Are dogs allowed?",
                        "On a lead.",
                        "",
                        new Standing(true, today.minusDays(2), today.plusDays(2)),
                        Ties.NONE)));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .outcome())
                .isEqualTo(Outcome.ANSWER);
        assertThat(entries.add(
                        collection,
                        new EntryDraft("A?", "B", "", new Standing(true, today, today.minusDays(1)), Ties.NONE)))
                .isInstanceOf(Checked.Bad.class);
    }

    @Test
    void pleasantriesAreAddedOnce() {
        String collection = data.collection("Thank you", "My own thanks.");
        assertThat(knowledge.addPleasantries(collection)).isEqualTo(6);
        assertThat(knowledge.addPleasantries(collection)).isZero();
        assertThat(knowledge.ask(List.of(collection), List.of("hello")).outcome())
                .isEqualTo(Outcome.ANSWER);
        assertThat(knowledge.ask(List.of(collection), List.of("thank you")).reply())
                .isEqualTo("My own thanks.");
    }

    @Test
    void everyBotMeetsGreetingsUntilThatIsSwitchedOff() {
        Bot bot = data.bot();
        String hello = knowledge
                .askFor(bot.id(), List.of(), Inquiry.of(List.of("hi there")))
                .reply();
        assertThat(hello).startsWith("Hello");
        assertThat(knowledge
                        .askFor(bot.id(), List.of(), Inquiry.of(List.of("who painted the whale")))
                        .outcome())
                .isEqualTo(Finding.Outcome.NONE);
        String own = data.collectionOf(bot, "Hi there", "Ahoy!");
        assertThat(knowledge
                        .askFor(bot.id(), List.of(own), Inquiry.of(List.of("hi there")))
                        .reply())
                .as("an entry of its own goes first")
                .isEqualTo("Ahoy!");
        knowledge.setAnswering(bot.id(), new Answering(false, Answering.USUAL.sources()));
        assertThat(knowledge.askFor(bot.id(), List.of(), Inquiry.of(List.of("hi there"))))
                .isEqualTo(Finding.NOTHING);
    }

    @Test
    void aBotAnswersFromTheSourcesThatItMayUse() {
        Bot bot = data.bot();
        String collection = data.collectionOf(bot, "Do you sell maps?", "At the desk.");
        List<String> asked = List.of("do you sell maps");
        assertThat(knowledge
                        .askFor(bot.id(), List.of(collection), Inquiry.of(asked))
                        .outcome())
                .isEqualTo(Finding.Outcome.ANSWER);
        knowledge.setAnswering(bot.id(), new Answering(true, Set.of(Finding.Source.ARTICLE)));
        assertThat(knowledge.answering(bot.id()).from("entries")).isFalse();
        assertThat(knowledge
                        .askFor(bot.id(), List.of(collection), Inquiry.of(asked))
                        .outcome())
                .isEqualTo(Finding.Outcome.NONE);
    }

    @Test
    void whatStandsBesideAnAnswerIsKeptAlsoWhenASheetIsBroughtIn() {
        Beside beside = new Beside("/media/abcdefghijkl", false, "A map", "More on paths?", List.of("Paths", "Huts"));
        String collection = data.collection("Do you sell maps?", "At the desk.");
        StoredEntry entry = entries.byRef(
                        collection,
                        knowledge.content(collection).entries().getFirst().ref())
                .orElseThrow();
        TestData.good(entries.change(
                entry.id(),
                new EntryDraft("Do you sell maps?", "At the desk.", "", Standing.USUAL, Ties.NONE.with(beside))));
        assertThat(entries.entry(entry.id()).entry().ties().beside()).isEqualTo(beside);
        Entry plain = new Entry(entry.entry().ref(), List.of("Do you sell maps?"), List.of("In the shop."), "");
        knowledge.merge(collection, new Content(List.of(plain), List.of(), List.of()));
        assertThat(entries.entry(entry.id()).entry().ties().beside()).isEqualTo(beside);
        assertThat(entries.change(
                        entry.id(),
                        new EntryDraft(
                                "A?",
                                "B",
                                "",
                                Standing.USUAL,
                                Ties.NONE.with(new Beside("ftp://x", false, "", "", List.of())))))
                .isInstanceOf(Checked.Bad.class);
    }
}
