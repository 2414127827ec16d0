package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Article;
import java.time.Instant;

/** An article as it is kept. */
public record StoredArticle(String id, String collection, Article article, Instant updatedAt) {}
