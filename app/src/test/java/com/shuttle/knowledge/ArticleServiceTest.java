package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ServerTest
class ArticleServiceTest {

    private static final String TEXT = "## Who may\n\nMembers may borrow a telescope.\n\n## How long\n\nFor one week.";

    private final TestData data;
    private final KnowledgeService knowledge;
    private final ArticleService articles;

    ArticleServiceTest(TestData data, KnowledgeService knowledge, ArticleService articles) {
        this.data = data;
        this.knowledge = knowledge;
        this.articles = articles;
    }

    private Outcome outcome(String collection) {
        return knowledge
                .ask(List.of(collection), List.of("which members may borrow a telescope"))
                .outcome();
    }

    @Test
    void anArticleIsAnsweredFromUntilItIsDeletedAndAgainWhenItIsPutBack() {
        String collection = data.collection("Is there parking?", "Free.");
        String id = TestData.good(articles.add(collection, "Lending telescopes", TEXT, "Telescopes", Standing.USUAL));
        assertThat(outcome(collection)).isEqualTo(Outcome.ANSWER);
        assertThat(knowledge
                        .ask(List.of(collection), List.of("which members may borrow a telescope"))
                        .matches()
                        .getFirst()
                        .source())
                .isEqualTo(Source.ARTICLE);
        StoredArticle deleted = articles.delete(id);
        assertThat(outcome(collection)).isNotEqualTo(Outcome.ANSWER);
        assertThatThrownBy(() -> articles.article(id)).isInstanceOf(Missing.class);
        articles.restore(deleted);
        articles.restore(deleted);
        assertThat(outcome(collection)).isEqualTo(Outcome.ANSWER);
        assertThat(articles.articles(collection, Wanted.ALL).items()).hasSize(1);
    }

    @Test
    void visitorsReadWhatIsPublishedOnly() {
        String collection = data.collection("Is there parking?", "Free.");
        String id = TestData.good(articles.add(collection, "A", TEXT, "", Standing.USUAL));
        String ref = articles.article(id).article().ref();
        assertThat(knowledge.articleByRef(List.of(collection), ref)).isPresent();
        TestData.good(articles.change(id, "A", TEXT, "", new Standing(false, null, null)));
        assertThat(knowledge.articleByRef(List.of(collection), ref)).isEmpty();
        assertThat(knowledge.articleByRef(List.of(), ref)).isEmpty();
    }

    @Test
    void listsSearchAndSort() {
        String collection = data.collection("Is there parking?", "Free.");
        TestData.good(articles.add(collection, "Beta", "about zebras", "1", Standing.USUAL));
        TestData.good(articles.add(collection, "Alpha", "about 100% lions", "2", Standing.USUAL));
        assertThat(articles.articles(collection, Wanted.ALL).items())
                .extracting(stored -> stored.article().title())
                .containsExactly("Alpha", "Beta");
        assertThat(articles.articles(collection, new Wanted("", Map.of(), "category", 1))
                        .items())
                .extracting(stored -> stored.article().title())
                .containsExactly("Beta", "Alpha");
        assertThat(articles.articles(collection, new Wanted("ZEBRA", Map.of(), "-updated", 1))
                        .total())
                .isEqualTo(1);
        assertThat(articles.articles(collection, new Wanted("%", Map.of(), "", 1))
                        .total())
                .isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({"'',text,title", "title,'  ',markdown"})
    void anArticleNeedsATitleAndAText(String title, String text, String field) {
        String collection = data.collection("Is there parking?", "Free.");
        assertThat(articles.add(collection, title, text, "", Standing.USUAL))
                .isInstanceOfSatisfying(
                        Checked.Bad.class, bad -> assertThat(bad.toString()).contains(field));
        assertThat(articles.add(collection, "A", "x".repeat(1_000_000), "", Standing.USUAL))
                .isInstanceOf(Checked.Bad.class);
    }
}
