package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Article;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The articles of collections. Thread-safe. */
@Service
public class ArticleService {

    private final ArticleStore store;
    private final KnowledgeService knowledge;
    private final InstantSource clock;

    ArticleService(ArticleStore store, KnowledgeService knowledge, InstantSource clock) {
        this.store = store;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    /** Those of a collection, drafts too. */
    public List<Article> all(String collection) {
        return store.all(collection);
    }

    public Page<StoredArticle> articles(String collection, Wanted wanted) {
        return store.articles(collection, wanted);
    }

    /** @throws Missing if there is no such article */
    public StoredArticle article(String id) {
        return store.article(id).orElseThrow(() -> new Missing("article", id));
    }

    @Transactional
    public Checked<String> add(String collection, String title, String markdown, String category, Standing standing) {
        knowledge.collection(collection);
        String id = Ids.next();
        return switch (KnowledgeForms.article(id, title, markdown, category, standing)) {
            case Checked.Bad<Article> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Article>(Article article) -> {
                store.insert(id, collection, article, clock.instant());
                knowledge.changed(collection);
                yield Checked.good(id);
            }
        };
    }

    @Transactional
    public Checked<String> change(String id, String title, String markdown, String category, Standing standing) {
        StoredArticle before = article(id);
        return switch (KnowledgeForms.article(before.article().ref(), title, markdown, category, standing)) {
            case Checked.Bad<Article> bad -> new Checked.Bad<>(bad.errors());
            case Checked.Good<Article>(Article article) -> {
                store.update(id, article, clock.instant());
                knowledge.changed(before.collection());
                yield Checked.good(id);
            }
        };
    }

    /** Deletes an article and returns it, so that it can be put back. */
    @Transactional
    public StoredArticle delete(String id) {
        StoredArticle article = article(id);
        store.delete(id);
        knowledge.changed(article.collection());
        return article;
    }

    /** Puts a deleted article back. */
    @Transactional
    public void restore(StoredArticle article) {
        if (store.article(article.id()).isEmpty()) {
            store.insert(article.id(), article.collection(), article.article(), clock.instant());
            knowledge.changed(article.collection());
        }
    }
}
