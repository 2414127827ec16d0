package com.shuttle.exchange;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.web.Length;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/** Whether the parts of a bot's file are what they should be, before anything is made of them. Thread-safe. */
final class BotFileCheck {

    private final Schema schema;

    BotFileCheck() {
        try (InputStream in = Objects.requireNonNull(
                BotFileCheck.class.getResourceAsStream("/shuttle-bot-1.schema.json"), "the schema of bots' files")) {
            schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12)
                    .getSchema(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The first thing that is wrong with {@code bot.json}, with its place; empty for nothing. */
    Optional<String> manifest(String json) {
        return schema.validate(json, InputFormat.JSON).stream()
                .findFirst()
                .map(error -> error.getInstanceLocation() + ": " + error.getMessage());
    }

    /** The first thing that is wrong with a collection; empty for nothing. */
    static Optional<String> content(Content content) {
        Set<String> refs = new HashSet<>();
        for (Entry entry : content.entries()) {
            boolean words = entry.phrasings().isEmpty()
                    || entry.answers().isEmpty()
                    || entry.phrasings().stream().anyMatch(String::isBlank);
            Ties ties = entry.ties();
            boolean tooLong = !Length.CATEGORY.holds(entry.category())
                    || !Length.NAME.holds(ties.team())
                    || !Length.NAME.holds(ties.flow())
                    || !Length.REF.holds(ties.article());
            if (words || tooLong || !isRef(entry.ref()) || !refs.add(entry.ref())) {
                return Optional.of(
                        "an entry without question or answer, with something too long, or with a ref that is missing or used twice");
            }
        }
        Set<String> articles = new HashSet<>();
        for (Article article : content.articles()) {
            boolean words = article.title() == null
                    || article.title().isBlank()
                    || !Length.TITLE.holds(article.title())
                    || !Length.CATEGORY.holds(article.category())
                    || article.markdown() == null;
            if (words || !isRef(article.ref()) || !articles.add(article.ref())) {
                return Optional.of(
                        "an article without title or text, with something too long, or with a ref that is missing or used twice");
            }
        }
        return content.tables().stream()
                .filter(table -> !fits(table))
                .findFirst()
                .map(table -> "a table whose rows do not fit its columns");
    }

    private static boolean isRef(String ref) {
        return ref != null && !ref.isBlank() && Length.REF.holds(ref);
    }

    private static boolean fits(Table table) {
        Set<String> keys = new HashSet<>();
        Set<String> rows = new HashSet<>();
        return isRef(table.ref())
                && table.name() != null
                && !table.name().isBlank()
                && Length.SHORT_NAME.holds(table.name())
                && !table.columns().isEmpty()
                && table.columns().size() <= Table.MOST_COLUMNS
                && table.rows().size() <= Table.MOST_ROWS
                && table.columns().stream()
                        .allMatch(column -> column.key() != null
                                && column.key().matches("[A-Za-z0-9]{1,32}")
                                && column.name() != null
                                && !column.name().isBlank()
                                && keys.add(column.key()))
                && table.rows().stream()
                        .allMatch(row -> row.id() != null
                                && row.id().length() <= 32
                                && rows.add(row.id())
                                && table.columns().stream().allMatch(column -> fits(column, row.at(column))));
    }

    private static boolean fits(Column column, String cell) {
        return cell.isEmpty() || Cell.read(column, cell) instanceof Cell.Read.Taken(String same) && same.equals(cell);
    }
}
