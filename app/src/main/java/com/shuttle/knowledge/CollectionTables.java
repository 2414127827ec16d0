package com.shuttle.knowledge;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.shuttle.core.knowledge.AskedTables;
import com.shuttle.core.knowledge.Ref;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.TableAnswers;
import com.shuttle.knowledge.CollectionTableStore.Choice;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.TableService;
import com.shuttle.tables.TableUse;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The tables that collections answer from. What is read of a table is kept until a row of it changes; the indexes of entries and
 * articles know nothing of them. Thread-safe.
 */
@Service
class CollectionTables implements TableUse {

    /** Sets of tables that are asked together. */
    private static final int KEPT = 50;

    private final CollectionTableStore store;
    private final TableService tables;
    private final Cache<List<Choice>, AskedTables> asked =
            Caffeine.newBuilder().maximumSize(KEPT).build();

    CollectionTables(CollectionTableStore store, TableService tables) {
        this.store = store;
        this.tables = tables;
    }

    /** What is asked beside the index of these collections, as it is now. A table that two of them have is asked once. */
    AskedTables asked(Set<String> collections) {
        List<Choice> choices = store.of(collections);
        boolean several = collections.size() > 1;
        return choices.isEmpty() ? AskedTables.NONE : asked.get(choices, all -> read(all, several));
    }

    private AskedTables read(List<Choice> choices, boolean several) {
        Set<String> there = new HashSet<>();
        return new AskedTables(choices.stream()
                .filter(choice -> there.add(choice.table()))
                .map(choice -> new TableAnswers(
                        tables.whole(choice.table()).as(new Ref(choice.collection(), choice.ref()).text(several))))
                .toList());
    }

    /** The tables of a collection with their rows, by ref. */
    List<Table> contents(String collection) {
        return store.of(Set.of(collection)).stream()
                .map(choice -> tables.whole(choice.table()))
                .toList();
    }

    /** Ids of the tables that a collection answers from. */
    Set<String> chosen(String collection) {
        Set<String> chosen = new HashSet<>();
        store.of(Set.of(collection)).forEach(choice -> chosen.add(choice.table()));
        return chosen;
    }

    /** Lets a collection answer from these tables and no others; ids of tables that are gone are left out. */
    @Transactional
    void choose(String collection, Collection<String> ids) {
        Set<String> known = new HashSet<>(ids);
        known.retainAll(tables.all().stream().map(StoredTable::id).toList());
        store.set(collection, known);
    }

    /** Makes the tables of a content that was brought in. Drafts, which files of before have, are made and not answered from. */
    @Transactional
    void bringIn(String collection, List<Table> contents) {
        Set<String> chosen = new HashSet<>();
        for (Table table : contents) {
            String id = tables.add(table);
            if (table.published()) {
                chosen.add(id);
            }
        }
        store.set(collection, chosen);
    }

    @Override
    public List<Place> of(String table) {
        return store.using(table).stream()
                .map(collection ->
                        new Place(collection.name() + " answers from it", "/knowledge/" + collection.id() + "/tables"))
                .toList();
    }
}
