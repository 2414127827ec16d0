package com.shuttle.knowledge;

import static com.shuttle.schema.Tables.ARTICLE;
import static org.jooq.impl.DSL.noCondition;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.schema.tables.records.ArticleRecord;
import com.shuttle.web.Like;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Field;
import org.jooq.SortField;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Articles in the database. */
@Repository
class ArticleStore {

    private final DSLContext db;

    ArticleStore(DSLContext db) {
        this.db = db;
    }

    List<Article> all(String collection) {
        return db.selectFrom(ARTICLE)
                .where(ARTICLE.COLLECTION_ID.eq(collection))
                .orderBy(ARTICLE.REF)
                .fetch(row -> stored(row).article());
    }

    /** @param sort {@code title}, {@code category} or {@code updated}; anything else is title */
    Page<StoredArticle> articles(String collection, Wanted wanted) {
        String like = Like.containing(wanted.search());
        Condition condition = ARTICLE.COLLECTION_ID
                .eq(collection)
                .and(
                        wanted.search().isEmpty()
                                ? noCondition()
                                : DSL.lower(ARTICLE.TITLE)
                                        .like(like, Like.ESCAPE)
                                        .or(DSL.lower(ARTICLE.MARKDOWN).like(like, Like.ESCAPE)));
        Field<?> by = switch (wanted.by("title")) {
            case "category" -> ARTICLE.CATEGORY;
            case "updated" -> ARTICLE.UPDATED_AT;
            default -> ARTICLE.TITLE;
        };
        SortField<?> order = wanted.turned() ? by.desc() : by.asc();
        List<StoredArticle> items = db.selectFrom(ARTICLE)
                .where(condition)
                .orderBy(order, ARTICLE.TITLE.asc(), ARTICLE.ID.asc())
                .limit(Page.SIZE)
                .offset(Page.offset(wanted.page()))
                .fetch(ArticleStore::stored);
        return Page.of(items, wanted.page(), db.fetchCount(ARTICLE, condition));
    }

    Optional<StoredArticle> article(String id) {
        return db.selectFrom(ARTICLE).where(ARTICLE.ID.eq(id)).fetchOptional(ArticleStore::stored);
    }

    void insert(String id, String collection, Article article, Instant at) {
        db.insertInto(ARTICLE)
                .set(ARTICLE.ID, id)
                .set(ARTICLE.COLLECTION_ID, collection)
                .set(ARTICLE.REF, article.ref())
                .set(ARTICLE.TITLE, article.title())
                .set(ARTICLE.CATEGORY, article.category())
                .set(ARTICLE.MARKDOWN, article.markdown())
                .set(ARTICLE.PUBLISHED, article.standing().published())
                .set(ARTICLE.VALID_FROM, article.standing().from())
                .set(ARTICLE.VALID_UNTIL, article.standing().until())
                .set(ARTICLE.UPDATED_AT, at)
                .execute();
    }

    void update(String id, Article article, Instant at) {
        db.update(ARTICLE)
                .set(ARTICLE.TITLE, article.title())
                .set(ARTICLE.CATEGORY, article.category())
                .set(ARTICLE.MARKDOWN, article.markdown())
                .set(ARTICLE.PUBLISHED, article.standing().published())
                .set(ARTICLE.VALID_FROM, article.standing().from())
                .set(ARTICLE.VALID_UNTIL, article.standing().until())
                .set(ARTICLE.UPDATED_AT, at)
                .where(ARTICLE.ID.eq(id))
                .execute();
    }

    void delete(String id) {
        db.deleteFrom(ARTICLE).where(ARTICLE.ID.eq(id)).execute();
    }

    void deleteAll(String collection) {
        db.deleteFrom(ARTICLE).where(ARTICLE.COLLECTION_ID.eq(collection)).execute();
    }

    Optional<StoredArticle> byRef(String collection, String ref) {
        return db.selectFrom(ARTICLE)
                .where(ARTICLE.COLLECTION_ID.eq(collection).and(ARTICLE.REF.eq(ref)))
                .fetchOptional(ArticleStore::stored);
    }

    private static StoredArticle stored(ArticleRecord row) {
        Standing standing = new Standing(row.getPublished(), row.getValidFrom(), row.getValidUntil());
        Article article = new Article(row.getRef(), row.getTitle(), row.getMarkdown(), row.getCategory(), standing);
        return new StoredArticle(row.getId(), row.getCollectionId(), article, row.getUpdatedAt());
    }
}
