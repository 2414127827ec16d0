package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.ANSWERED;
import static com.shuttle.schema.Tables.ARTICLE;
import static com.shuttle.schema.Tables.BOT_ANSWERING;
import static com.shuttle.schema.Tables.BOT_COLLECTION;
import static com.shuttle.schema.Tables.BOT_SURENESS;
import static com.shuttle.schema.Tables.COLLECTION;
import static com.shuttle.schema.Tables.COLLECTION_TABLE;
import static com.shuttle.schema.Tables.ENTRY;
import static com.shuttle.schema.Tables.SYNONYM_GROUP;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Calibration;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.schema.tables.records.EntryRecord;
import com.shuttle.web.Fit;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.SortField;
import org.jooq.TableField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Collections, entries, articles and synonyms in the database. */
@Repository
class KnowledgeStore {

    private final DSLContext db;
    private final ArticleStore articles;

    KnowledgeStore(DSLContext db, ArticleStore articles) {
        this.db = db;
        this.articles = articles;
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
        var asked = DSL.selectCount()
                .from(COLLECTION_TABLE)
                .where(COLLECTION_TABLE.COLLECTION_ID.eq(COLLECTION.ID))
                .asField("tables");
        return db.select(COLLECTION.ID, COLLECTION.NAME, entries, articles, asked)
                .from(COLLECTION)
                .orderBy(COLLECTION.NAME, COLLECTION.ID)
                .fetch(row -> new KnowledgeCollection(
                        row.value1(),
                        row.value2(),
                        row.get(entries, Integer.class),
                        row.get(articles, Integer.class),
                        row.get(asked, Integer.class)));
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

    /** All but the tables, which stand by themselves. */
    Content content(String collection) {
        List<Entry> entries = db.selectFrom(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection))
                .orderBy(ENTRY.REF)
                .fetch(row -> stored(row).entry());
        List<List<String>> synonyms = db.select(SYNONYM_GROUP.WORDS)
                .from(SYNONYM_GROUP)
                .where(SYNONYM_GROUP.COLLECTION_ID.eq(collection))
                .orderBy(SYNONYM_GROUP.ORDINAL)
                .fetch(row -> Json.strings(row.value1()));
        return new Content(entries, articles.all(collection), synonyms);
    }

    void replace(String collection, Content content, Instant at) {
        db.deleteFrom(ENTRY).where(ENTRY.COLLECTION_ID.eq(collection)).execute();
        articles.deleteAll(collection);
        content.entries().forEach(entry -> insert(Ids.next(), collection, entry, at));
        content.articles().forEach(article -> articles.insert(Ids.next(), collection, article, at));
        setSynonyms(collection, content.synonyms());
    }

    /** Entries and articles take the place of those with the same refs. */
    void merge(String collection, Content additions, Instant at) {
        for (Entry entry : additions.entries()) {
            byRef(collection, entry.ref())
                    .ifPresentOrElse(
                            before -> update(before.id(), keeping(before.entry(), entry), at),
                            () -> insert(Ids.next(), collection, entry, at));
        }
        for (Article article : additions.articles()) {
            articles.byRef(collection, article.ref())
                    .ifPresentOrElse(
                            before -> articles.update(before.id(), article, at),
                            () -> articles.insert(Ids.next(), collection, article, at));
        }
    }

    /** Sheets have no place for what stands beside an answer, so that it stays. */
    private static Entry keeping(Entry before, Entry now) {
        Entry.Ties ties =
                now.ties().beside().nothing() ? now.ties().with(before.ties().beside()) : now.ties();
        return new Entry(now.ref(), now.phrasings(), now.answers(), now.category(), now.standing(), ties);
    }

    void setSynonyms(String collection, List<List<String>> groups) {
        db.deleteFrom(SYNONYM_GROUP)
                .where(SYNONYM_GROUP.COLLECTION_ID.eq(collection))
                .execute();
        for (int i = 0; i < groups.size(); i++) {
            db.insertInto(SYNONYM_GROUP)
                    .columns(SYNONYM_GROUP.COLLECTION_ID, SYNONYM_GROUP.ORDINAL, SYNONYM_GROUP.WORDS)
                    .values(collection, i, Json.write(groups.get(i)))
                    .execute();
        }
    }

    void insert(String id, String collection, Entry entry, Instant at) {
        db.insertInto(ENTRY)
                .set(ENTRY.ID, id)
                .set(ENTRY.COLLECTION_ID, collection)
                .set(ENTRY.REF, entry.ref())
                .set(ENTRY.TITLE, title(entry))
                .set(ENTRY.CATEGORY, entry.category())
                .set(ENTRY.PHRASINGS, Json.write(entry.phrasings()))
                .set(ENTRY.ANSWERS, Json.write(entry.answers()))
                .set(ENTRY.PUBLISHED, entry.standing().published())
                .set(ENTRY.VALID_FROM, entry.standing().from())
                .set(ENTRY.VALID_UNTIL, entry.standing().until())
                .set(ENTRY.TEAM, entry.ties().team())
                .set(ENTRY.ARTICLE, entry.ties().article())
                .set(ENTRY.FLOW, entry.ties().flow())
                .set(ENTRY.BESIDE, Json.write(entry.ties().beside()))
                .set(ENTRY.UPDATED_AT, at)
                .execute();
    }

    boolean update(String id, Entry entry, Instant at) {
        return db.update(ENTRY)
                        .set(ENTRY.TITLE, title(entry))
                        .set(ENTRY.CATEGORY, entry.category())
                        .set(ENTRY.PHRASINGS, Json.write(entry.phrasings()))
                        .set(ENTRY.ANSWERS, Json.write(entry.answers()))
                        .set(ENTRY.PUBLISHED, entry.standing().published())
                        .set(ENTRY.VALID_FROM, entry.standing().from())
                        .set(ENTRY.VALID_UNTIL, entry.standing().until())
                        .set(ENTRY.TEAM, entry.ties().team())
                        .set(ENTRY.ARTICLE, entry.ties().article())
                        .set(ENTRY.FLOW, entry.ties().flow())
                        .set(ENTRY.BESIDE, Json.write(entry.ties().beside()))
                        .set(ENTRY.UPDATED_AT, at)
                        .where(ENTRY.ID.eq(id))
                        .execute()
                == 1;
    }

    Optional<String> titled(String collection, String title) {
        return db.select(ENTRY.REF)
                .from(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection), ENTRY.TITLE.equalIgnoreCase(title))
                .orderBy(ENTRY.REF)
                .limit(1)
                .fetchOptional(ENTRY.REF);
    }

    List<String> titles(String collection) {
        return db.select(ENTRY.TITLE)
                .from(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection))
                .orderBy(ENTRY.TITLE)
                .fetch(ENTRY.TITLE);
    }

    void deleteEntry(String id) {
        db.deleteFrom(ENTRY).where(ENTRY.ID.eq(id)).execute();
    }

    Optional<StoredEntry> entry(String id) {
        return db.selectFrom(ENTRY).where(ENTRY.ID.eq(id)).fetchOptional(KnowledgeStore::stored);
    }

    /**
     * @param wanted filtered by {@code category}, {@code team} and {@code state} ({@code published}, {@code draft}, {@code
     *               over}: its last day has passed); sorted by {@code title}, {@code category} or {@code updated}
     */
    Page<StoredEntry> entries(String collection, Wanted wanted, Instant now) {
        String like = Like.containing(wanted.search());
        String category = wanted.filter("category");
        String team = wanted.filter("team");
        Condition condition = ENTRY.COLLECTION_ID
                .eq(collection)
                .and(
                        wanted.search().isEmpty()
                                ? noCondition()
                                : DSL.lower(ENTRY.PHRASINGS)
                                        .like(like, Like.ESCAPE)
                                        .or(DSL.lower(ENTRY.ANSWERS).like(like, Like.ESCAPE)))
                .and(category.isEmpty() ? noCondition() : ENTRY.CATEGORY.eq(category))
                .and(team.isEmpty() ? noCondition() : ENTRY.TEAM.eq(team))
                .and(
                        switch (wanted.filter("state")) {
                            case "published" -> ENTRY.PUBLISHED.isTrue();
                            case "draft" -> ENTRY.PUBLISHED.isFalse();
                            case "over" -> ENTRY.VALID_UNTIL.lt(LocalDate.ofInstant(now, ZoneOffset.UTC));
                            default -> noCondition();
                        });
        Field<?> by = switch (wanted.by("title")) {
            case "category" -> ENTRY.CATEGORY;
            case "updated" -> ENTRY.UPDATED_AT;
            default -> ENTRY.TITLE;
        };
        SortField<?> order = wanted.turned() ? by.desc() : by.asc();
        List<StoredEntry> items = db.selectFrom(ENTRY)
                .where(condition)
                .orderBy(order, ENTRY.TITLE.asc(), ENTRY.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(KnowledgeStore::stored);
        return Page.of(items, wanted.page(), db.fetchCount(ENTRY, condition));
    }

    List<String> categories(String collection) {
        return used(ENTRY.CATEGORY, collection);
    }

    /** The teams that look after entries of a collection. */
    List<String> teams(String collection) {
        return used(ENTRY.TEAM, collection);
    }

    /** What stands in a field of a collection's entries, each once. */
    private List<String> used(TableField<EntryRecord, String> field, String collection) {
        return db.selectDistinct(field)
                .from(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection))
                .and(field.ne(""))
                .orderBy(field)
                .fetch(field);
    }

    Optional<StoredEntry> byRef(String collection, String ref) {
        return db.selectFrom(ENTRY)
                .where(ENTRY.COLLECTION_ID.eq(collection).and(ENTRY.REF.eq(ref)))
                .fetchOptional(KnowledgeStore::stored);
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

    /** How often each entry and article of a collection has answered, by ref. */
    Map<String, Integer> uses(String collection) {
        return db.select(ANSWERED.REF, DSL.count())
                .from(ANSWERED)
                .where(ANSWERED.COLLECTION_ID.eq(collection))
                .groupBy(ANSWERED.REF)
                .fetchMap(ANSWERED.REF, DSL.count());
    }

    Answering answering(String bot) {
        return db.selectFrom(BOT_ANSWERING)
                .where(BOT_ANSWERING.BOT_ID.eq(bot))
                .fetchOptional(row -> new Answering(
                        row.getPleasantries(),
                        Stream.of(Source.values())
                                .filter(source ->
                                        List.of(row.getSources().split(" ")).contains(source.plural()))
                                .collect(Collectors.toSet())))
                .orElse(Answering.USUAL);
    }

    void setAnswering(String bot, Answering answering) {
        String sources =
                answering.sources().stream().map(Source::plural).sorted().collect(Collectors.joining(" "));
        db.deleteFrom(BOT_ANSWERING).where(BOT_ANSWERING.BOT_ID.eq(bot)).execute();
        db.insertInto(BOT_ANSWERING)
                .columns(BOT_ANSWERING.BOT_ID, BOT_ANSWERING.PLEASANTRIES, BOT_ANSWERING.SOURCES)
                .values(bot, answering.pleasantries(), sources)
                .execute();
    }

    Optional<Calibration> sureness(String bot) {
        return db.selectFrom(BOT_SURENESS)
                .where(BOT_SURENESS.BOT_ID.eq(bot))
                .fetchOptional(row -> new Calibration(row.getAnswerFrom() / 100.0, row.getSuggestFrom() / 100.0));
    }

    void setSureness(String bot, int answerFrom, int suggestFrom) {
        db.deleteFrom(BOT_SURENESS).where(BOT_SURENESS.BOT_ID.eq(bot)).execute();
        db.insertInto(BOT_SURENESS)
                .columns(BOT_SURENESS.BOT_ID, BOT_SURENESS.ANSWER_FROM, BOT_SURENESS.SUGGEST_FROM)
                .values(bot, answerFrom, suggestFrom)
                .execute();
    }

    private static String title(Entry entry) {
        String title = entry.phrasings().getFirst();
        return Fit.within(title, ENTRY.TITLE.getDataType().length());
    }

    private static StoredEntry stored(EntryRecord row) {
        Entry entry = new Entry(
                row.getRef(),
                Json.strings(row.getPhrasings()),
                Json.strings(row.getAnswers()),
                row.getCategory(),
                new Standing(row.getPublished(), row.getValidFrom(), row.getValidUntil()),
                new Entry.Ties(
                        row.getTeam(),
                        row.getArticle(),
                        row.getFlow(),
                        Json.read(row.getBeside(), Entry.Beside.class)));
        return new StoredEntry(row.getId(), row.getCollectionId(), entry, row.getUpdatedAt());
    }
}
