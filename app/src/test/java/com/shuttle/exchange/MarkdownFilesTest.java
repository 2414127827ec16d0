package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.knowledge.Article;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MarkdownFilesTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "# The title\\n\\nText|The title",
                "Text\\n\\n# Later|Later",
                "Text only|getting here",
                "---\\ntitle: Told\\n---\\n# Heading\\n\\nText|Told",
                "---\\nnothing of use\\n---\\nText|getting here",
                "---\\nText between lines\\n|getting here"
            })
    void findsTheTitle(String text, String title) {
        assertThat(MarkdownFiles.file(1, "docs/getting-here.md", text.replace("\\n", "\n"))
                        .question())
                .isEqualTo(title);
    }

    @Test
    void articlesWithLikeNamesDoNotOverwriteOneAnother() throws IOException, Unreadable {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MarkdownFiles.write(
                List.of(
                        new Article("a b", "One", "1", ""),
                        new Article("a/b", "Two", "2", ""),
                        new Article("a-b", "Three", "3", ""),
                        new Article("日本", "Four", "4", "")),
                out);
        assertThat(MarkdownFiles.zip(out.toByteArray()))
                .extracting(Found::question)
                .containsExactly("One", "Two", "Three", "Four");
    }

    @Test
    void aZipThatClimbsOutOrHoldsNoMarkdownIsRefused() throws IOException {
        for (String name : List.of("../evil.md", "picture.png")) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            try (ZipOutputStream zip = new ZipOutputStream(out)) {
                zip.putNextEntry(new ZipEntry(name));
                zip.write(1);
                zip.closeEntry();
            }
            assertThatThrownBy(() -> MarkdownFiles.zip(out.toByteArray())).isInstanceOf(Unreadable.class);
        }
    }
}
