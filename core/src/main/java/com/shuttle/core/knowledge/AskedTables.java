package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.table.TableAnswers;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The tables that are asked beside an index. They are no part of it, because their rows change at any moment, by
 * conversations too, and a row more must not make an index anew. Immutable; thread-safe.
 */
public final class AskedTables {

    public static final AskedTables NONE = new AskedTables(List.of());

    private final List<TableAnswers> tables;
    private final Spelling spelling;

    /** @param tables each under the ref by which findings are to name it */
    public AskedTables(List<TableAnswers> tables) {
        this.tables = List.copyOf(tables);
        spelling = new Spelling(WordCounts.of(tables.stream().flatMap(table -> table.phrases().stream())));
    }

    /** For mending misspellings of the tables' words. */
    Spelling spelling() {
        return spelling;
    }

    /** What the tables answer to a question as typed or as mended. */
    Stream<Match> ask(String typed, String mended) {
        return tables.stream().flatMap(table -> TableMatch.of(table, typed, mended).stream());
    }

    /** The answer behind the ref of an earlier match once more; empty where it names no table of these. */
    Optional<Match> byRef(String ref) {
        return TableMatch.table(ref)
                .flatMap(own -> tables.stream()
                        .filter(one -> one.table().ref().equals(own))
                        .findFirst())
                .flatMap(table -> TableMatch.again(table, ref));
    }
}
