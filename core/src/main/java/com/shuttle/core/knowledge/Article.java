package com.shuttle.core.knowledge;

/**
 * A longer text in Markdown, answered from by passage.
 *
 * @param ref      unique within its collection, stable under edits
 * @param category may be empty
 */
public record Article(String ref, String title, String markdown, String category, Standing standing) {

    public Article {
        category = category == null ? "" : category;
        standing = standing == null ? Standing.USUAL : standing;
    }

    public Article(String ref, String title, String markdown, String category) {
        this(ref, title, markdown, category, Standing.USUAL);
    }
}
