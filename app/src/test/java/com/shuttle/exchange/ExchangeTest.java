package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.exchange.Verdict.State;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Knowledge goes out and comes back the same, and nothing comes in unseen. */
@ServerTest
class ExchangeTest {

    private static final Content CONTENT = new Content(
            List.of(
                    new Entry(
                            "e1",
                            List.of("=Is this a formula?", "Two\ttabs, a comma; \"quotes\""),
                            List.of("-1 below **zero**\n\nSecond paragraph", "Another answer"),
                            "+Visiting",
                            new Standing(false, LocalDate.of(2026, 1, 2), LocalDate.of(2027, 3, 4)),
                            new Entry.Ties("@Visits", "a1", "=Tour")),
                    new Entry("e2", List.of("Häuser und 日本語 🙂?"), List.of("'quoted'"), "")),
            List.of(
                    new Article(
                            "a/1", "Title: with a colon", "# Heading\n\n| a | b |\n|---|---|\n| 1 | 2 |", "Visiting"),
                    new Article(
                            "a1",
                            "Draft",
                            "Text\n\n---\n\nbelow a line",
                            "",
                            new Standing(false, null, LocalDate.of(2026, 5, 6)))),
            List.of());

    private final TestData data;
    private final KnowledgeService knowledge;
    private final ImportService imports;

    ExchangeTest(TestData data, KnowledgeService knowledge, ImportService imports) {
        this.data = data;
        this.knowledge = knowledge;
        this.imports = imports;
    }

    private String empty() {
        return TestData.good(knowledge.create(data.name("Collection")));
    }

    private interface Save {
        void to(ByteArrayOutputStream out) throws IOException;
    }

    private void bringIn(String collection, String name, Save save) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        save.to(out);
        String id = TestData.good(imports.file(collection, name, out.toByteArray()));
        imports.take(collection, id, Set.of(), true);
    }

    @ParameterizedTest
    @ValueSource(strings = {"csv", "xlsx"})
    void whatIsSavedComesBackTheSame(String ending) throws IOException {
        String collection = empty();
        bringIn(collection, "x." + ending, out -> {
            if (ending.equals("csv")) {
                Sheets.csv(CONTENT.entries(), out);
            } else {
                Sheets.xlsx(CONTENT.entries(), out);
            }
        });
        bringIn(collection, "x.zip", out -> MarkdownFiles.write(CONTENT.articles(), out));
        assertThat(knowledge.content(collection)).isEqualTo(CONTENT);
    }

    @Test
    void whatHasChangedIsShownAndTheSameIsLeftAlone() {
        String collection = empty();
        knowledge.merge(collection, CONTENT);
        String id = TestData.good(imports.file(
                collection,
                "x.csv",
                "ref,question,answer\n,Häuser und 日本語 🙂?,'quoted'\ne1,Other words?,Other answer\n,Quite new?,Yes\n"
                        .getBytes(StandardCharsets.UTF_8)));
        assertThat(imports.verdicts(imports.waiting(collection, id)))
                .extracting(Verdict::state)
                .containsExactly(State.SAME, State.CHANGED, State.NEW);
        assertThat(imports.take(collection, id, Set.of(4), false)).isEqualTo(1);
        assertThat(knowledge.content(collection).entries())
                .extracting(entry -> entry.phrasings().getFirst())
                .containsExactly("Other words?", "Häuser und 日本語 🙂?");
        assertThatThrownBy(() -> imports.waiting(collection, id)).isInstanceOf(Missing.class);
    }

    @Test
    void faultsAreMendedOrStayOut() {
        String collection = empty();
        String id = TestData.good(imports.file(
                collection,
                "x.csv",
                "question,answer\nGood?,Yes\nNo answer?,\n,No question\nGood?,Twice\n"
                        .getBytes(StandardCharsets.UTF_8)));
        assertThat(imports.verdicts(imports.waiting(collection, id)))
                .extracting(Verdict::state)
                .containsExactly(State.NEW, State.FAULTY, State.FAULTY, State.FAULTY);
        assertThat(imports.take(collection, id, Set.of(), true))
                .as("all or nothing")
                .isZero();
        imports.mend(collection, id, 3, "No answer?", "Now there is one", "");
        imports.columns(collection, id, -1, 0, -1, 1, -1);
        imports.mend(collection, id, 3, "No answer?", "Now there is one", "Mended");
        assertThat(imports.take(collection, id, Set.of(), false)).isEqualTo(2);
        assertThat(knowledge.content(collection).entries())
                .extracting(Entry::category)
                .containsExactlyInAnyOrder("", "Mended");
    }

    @Test
    void anImportIsOfItsCollectionOnly() {
        String collection = empty();
        String id =
                TestData.good(imports.file(collection, "a.md", "# A title\n\nText".getBytes(StandardCharsets.UTF_8)));
        assertThatThrownBy(() -> imports.waiting(empty(), id)).isInstanceOf(Missing.class);
        imports.forget(collection, id);
        assertThatThrownBy(() -> imports.waiting(collection, id)).isInstanceOf(Missing.class);
    }

    @ParameterizedTest
    @ValueSource(strings = {"x.exe", "x.zip", "x.csv", "x.html", "x.xlsx", "x"})
    void whatCannotBeReadIsSaidAtTheFile(String name) {
        assertThat(errors(imports.file(empty(), name, "nothing of use".getBytes(StandardCharsets.UTF_8))))
                .containsKey("file");
    }

    private static Map<String, String> errors(Checked<String> checked) {
        return checked instanceof Checked.Bad<String> bad ? bad.errors() : Map.of();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "http://localhost/x",
                "http://127.0.0.1:9/x",
                "http://[::1]/",
                "https://10.0.0.1/",
                "http://169.254.169.254/latest",
                "ftp://example.org/",
                "http://user@example.org/",
                "not an address",
                "http:///x"
            })
    void addressesWithinTheOwnNetworkAndOddOnesAreRefused(String address) {
        assertThat(errors(imports.page(empty(), address)))
                .containsKey("address")
                .doesNotContainValue("The page does not answer.");
    }
}
