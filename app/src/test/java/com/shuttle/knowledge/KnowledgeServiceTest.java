package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ServerTest
class KnowledgeServiceTest {

    private final TestData data;
    private final KnowledgeService knowledge;

    KnowledgeServiceTest(TestData data, KnowledgeService knowledge) {
        this.data = data;
        this.knowledge = knowledge;
    }

    @Test
    void editsAreFoundAtOnceAndDeletedOnesNoMore() {
        String collection = data.collection("Is there parking?", "Free.");
        String entry = TestData.good(
                knowledge.add(collection, "Are dogs allowed?\nMay I bring my dog?", "On a lead.", "Pets"));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("may I bring my dog"))
                        .reply())
                .isEqualTo("On a lead.");
        TestData.good(knowledge.change(entry, "Are dogs allowed?", "No longer.", "Pets"));
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .reply())
                .isEqualTo("No longer.");
        StoredEntry deleted = knowledge.deleteEntry(entry);
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .outcome())
                .isNotEqualTo(Outcome.ANSWER);
        knowledge.restore(deleted);
        knowledge.restore(deleted);
        assertThat(knowledge
                        .ask(List.of(collection), List.of("are dogs allowed"))
                        .outcome())
                .isEqualTo(Outcome.ANSWER);
        assertThat(knowledge.entries(collection, "", "", "", 1).total()).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"''|An answer|phrasings", "A question|''|answers", "A question|'  '|answers", "''|''|phrasings"})
    void anEntryNeedsAQuestionAndAnAnswer(String phrasings, String answers, String field) {
        String collection = data.collection("x", "y");
        assertThat(knowledge.add(collection, phrasings, answers, ""))
                .isInstanceOfSatisfying(
                        Checked.Bad.class,
                        bad -> assertThat(bad.errors().containsKey(field)).isTrue());
        assertThat(knowledge.entries(collection, "", "", "", 1).total()).isEqualTo(1);
    }

    @Test
    void hostileTextIsKeptAsTextOrRefusedForItsLength() {
        String collection = data.collection("<script>alert(1)</script> '; drop table entry; --", "a\u202Eb");
        StoredEntry entry = knowledge.entries(collection, "", "", "", 1).items().getFirst();
        assertThat(entry.entry().phrasings().getFirst()).startsWith("<script>");
        assertThat(entry.entry().answers()).containsExactly("ab");
        assertThat(knowledge.add(collection, "q".repeat(100_000), "a", "")).isInstanceOf(Checked.Bad.class);
        assertThat(knowledge.add(collection, "q", "a".repeat(100_000), "")).isInstanceOf(Checked.Bad.class);
    }

    @Test
    void listsSearchFilterSortAndPage() {
        String collection = TestData.good(knowledge.create(data.name("Paged")));
        for (int i = 0; i < 30; i++) {
            TestData.good(knowledge.add(
                    collection,
                    "Question %02d".formatted(i),
                    i == 7 ? "100% sure_thing" : "Answer",
                    i % 2 == 0 ? "Even" : "Odd"));
        }
        assertThat(knowledge.entries(collection, "", "", "title", 1).items()).hasSize(25);
        assertThat(knowledge.entries(collection, "", "", "title", 2).items()).hasSize(5);
        assertThat(knowledge.entries(collection, "", "", "title", 2).pages()).isEqualTo(2);
        assertThat(knowledge.entries(collection, "100%", "", "", 1).total()).isEqualTo(1);
        assertThat(knowledge.entries(collection, "%", "", "", 1).total()).isEqualTo(1);
        assertThat(knowledge.entries(collection, "r_t", "", "", 1).total()).isZero();
        assertThat(knowledge.entries(collection, "", "Odd", "category", 1).total())
                .isEqualTo(15);
        assertThat(knowledge.categories(collection)).containsExactly("Even", "Odd");
        assertThat(knowledge
                        .entries(collection, "", "", "updated", 1)
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
        assertThat(knowledge
                        .entries(collection, "", "", "", 1)
                        .items()
                        .getFirst()
                        .entry()
                        .answers())
                .containsExactly("Hi there", "Good evening");
    }
}
