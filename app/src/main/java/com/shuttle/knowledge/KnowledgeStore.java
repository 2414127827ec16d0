package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.ARTICLE;
import static com.shuttle.schema.Tables.BOT_COLLECTION;
import static com.shuttle.schema.Tables.COLLECTION;
import static com.shuttle.schema.Tables.ENTRY;
import static com.shuttle.schema.Tables.SYNONYM_GROUP;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.schema.tables.records.EntryRecord;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Collections, entries, articles and synonyms in the database. */
@Repository
class KnowledgeStore {

    private final DSLContext db;

    KnowledgeStore(DSLContext db) {
        this.db = db;
    }

    List<KnowledgeCollection> collections() {
        var entries = DSL.selectCount()
                .from(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(COLLECTION.ID))
                .asField("entries");
        var articles = DSL.selectCount()
                .from(ARTICLE)
                .where(ARTICLE.COLLECTION_ID.eq(COLLECTION.ID))
                .asField("articles");
        return db.select(COLLECTION.ID, COLLECTION.NAME, entries, articles)
                .from(COLLECTION)
                .orderBy(COLLECTION.NAME, COLLECTION.ID)
                .fetch(row -> new KnowledgeCollection(
                        row.value1(), row.value2(), row.get(entries, Integer.class), row.get(articles, Integer.class)));
    }

    void insert(String id, String name, Instant at) {
        db.insertInto(COLLECTION)
                .columns(COLLECTION.ID, COLLECTION.NAME, COLLECTION.CREATED_AT)
                .values(id, name, at)
                .execute();
    }

    void rename(String id, String name) {
        db.update(COLLECTION)
                .set(COLLECTION.NAME, name)
                .where(COLLECTION.ID.eq(id))
                .execute();
    }

    void delete(String id) {
        db.deleteFrom(COLLECTION).where(COLLECTION.ID.eq(id)).execute();
    }

    Content content(String collection) {
        List<Entry> entries = db.selectFrom(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection))
                .orderBy(ENTRY.REF)
                .fetch(row -> stored(row).entry());
        List<Article> articles = db.selectFrom(ARTICLE)
                .where(ARTICLE.COLLECTION_ID.eq(collection))
                .orderBy(ARTICLE.REF)
                .fetch(row -> new Article(row.getRef(), row.getTitle(), row.getMarkdown(), row.getCategory()));
        List<List<String>> synonyms = db.select(SYNONYM_GROUP.WORDS)
                .from(SYNONYM_GROUP)
                .where(SYNONYM_GROUP.COLLECTION_ID.eq(collection))
                .orderBy(SYNONYM_GROUP.ORDINAL)
                .fetch(row -> Json.strings(row.value1()));
        return new Content(entries, articles, synonyms);
    }

    void replace(String collection, Content content, Instant at) {
        db.deleteFrom(ENTRY).where(ENTRY.COLLECTION_ID.eq(collection)).execute();
        db.deleteFrom(ARTICLE).where(ARTICLE.COLLECTION_ID.eq(collection)).execute();
        db.deleteFrom(SYNONYM_GROUP)
                .where(SYNONYM_GROUP.COLLECTION_ID.eq(collection))
                .execute();
        content.entries().forEach(entry -> insert(Ids.next(), collection, entry, at));
        for (Article article : content.articles()) {
            db.insertInto(ARTICLE)
                    .columns(
                            ARTICLE.ID,
                            ARTICLE.COLLECTION_ID,
                            ARTICLE.REF,
                            ARTICLE.TITLE,
                            ARTICLE.CATEGORY,
                            ARTICLE.MARKDOWN,
                            ARTICLE.UPDATED_AT)
                    .values(
                            Ids.next(),
                            collection,
                            article.ref(),
                            article.title(),
                            article.category(),
                            article.markdown(),
                            at)
                    .execute();
        }
        for (int i = 0; i < content.synonyms().size(); i++) {
            db.insertInto(SYNONYM_GROUP)
                    .columns(SYNONYM_GROUP.COLLECTION_ID, SYNONYM_GROUP.ORDINAL, SYNONYM_GROUP.WORDS)
                    .values(collection, i, Json.write(content.synonyms().get(i)))
                    .execute();
        }
    }

    void insert(String id, String collection, Entry entry, Instant at) {
        db.insertInto(ENTRY)
                .columns(
                        ENTRY.ID,
                        ENTRY.COLLECTION_ID,
                        ENTRY.REF,
                        ENTRY.TITLE,
                        ENTRY.CATEGORY,
                        ENTRY.PHRASINGS,
                        ENTRY.ANSWERS,
                        ENTRY.UPDATED_AT)
                .values(
                        id,
                        collection,
                        entry.ref(),
                        title(entry),
                        entry.category(),
                        Json.write(entry.phrasings()),
                        Json.write(entry.answers()),
                        at)
                .execute();
    }

    boolean update(String id, Entry entry, Instant at) {
        return db.update(ENTRY)
                        .set(ENTRY.TITLE, title(entry))
                        .set(ENTRY.CATEGORY, entry.category())
                        .set(ENTRY.PHRASINGS, Json.write(entry.phrasings()))
                        .set(ENTRY.ANSWERS, Json.write(entry.answers()))
                        .set(ENTRY.UPDATED_AT, at)
                        .where(ENTRY.ID.eq(id))
                        .execute()
                == 1;
    }

    void deleteEntry(String id) {
        db.deleteFrom(ENTRY).where(ENTRY.ID.eq(id)).execute();
    }

    Optional<StoredEntry> entry(String id) {
        return db.selectFrom(ENTRY).where(ENTRY.ID.eq(id)).fetchOptional(KnowledgeStore::stored);
    }

    /** @param sort {@code title}, {@code category} or {@code updated}; anything else is title */
    Page<StoredEntry> entries(String collection, String search, String category, String sort, int page) {
        String like = Like.containing(search);
        Condition condition = ENTRY.COLLECTION_ID
                .eq(collection)
                .and(
                        search.isBlank()
                                ? noCondition()
                                : DSL.lower(ENTRY.PHRASINGS)
                                        .like(like, Like.ESCAPE)
                                        .or(DSL.lower(ENTRY.ANSWERS).like(like, Like.ESCAPE)))
                .and(category.isBlank() ? noCondition() : ENTRY.CATEGORY.eq(category));
        SortField<?> order = switch (sort) {
            case "category" -> ENTRY.CATEGORY.asc();
            case "updated" -> ENTRY.UPDATED_AT.desc();
            default -> ENTRY.TITLE.asc();
        };
        List<StoredEntry> items = db.selectFrom(ENTRY)
                .where(condition)
                .orderBy(order, ENTRY.TITLE.asc(), ENTRY.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(page))
                .fetch(KnowledgeStore::stored);
        return Page.of(items, page, db.fetchCount(ENTRY, condition));
    }

    List<String> categories(String collection) {
        return db.selectDistinct(ENTRY.CATEGORY)
                .from(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection))
                .and(ENTRY.CATEGORY.ne(""))
                .orderBy(ENTRY.CATEGORY)
                .fetch(ENTRY.CATEGORY);
    }

    boolean refTaken(String collection, String ref) {
        return db.fetchExists(ENTRY, ENTRY.COLLECTION_ID.eq(collection).and(ENTRY.REF.eq(ref)));
    }

    List<String> collectionsOf(String bot) {
        return db.select(BOT_COLLECTION.COLLECTION_ID)
                .from(BOT_COLLECTION)
                .where(BOT_COLLECTION.BOT_ID.eq(bot))
                .orderBy(BOT_COLLECTION.COLLECTION_ID)
                .fetch(BOT_COLLECTION.COLLECTION_ID);
    }

    void setCollections(String bot, Set<String> collections) {
        db.deleteFrom(BOT_COLLECTION).where(BOT_COLLECTION.BOT_ID.eq(bot)).execute();
        collections.forEach(collection -> db.insertInto(BOT_COLLECTION)
                .columns(BOT_COLLECTION.BOT_ID, BOT_COLLECTION.COLLECTION_ID)
                .values(bot, collection)
                .execute());
    }

    private static String title(Entry entry) {
        String title = entry.phrasings().getFirst();
        return title.length() <= 1000 ? title : title.substring(0, 1000);
    }

    private static StoredEntry stored(EntryRecord row) {
        Entry entry = new Entry(
                row.getRef(), Json.strings(row.getPhrasings()), Json.strings(row.getAnswers()), row.getCategory());
        return new StoredEntry(row.getId(), row.getCollectionId(), entry, row.getUpdatedAt());
    }
}
