package com.shuttle.web;

import com.shuttle.core.reading.Words;

/**
 * How long the texts that people write can be: the one place that forms, files and the API ask. What the system writes of its
 * own accord is cut to its column by {@link Fit}. The test of this class compares each length with the columns it is kept in.
 */
public enum Length {
    NAME("A name", 200),
    SHORT_NAME("A name", 100),
    LINE("A line", 200),
    DESCRIPTION("A description", 2000),
    CATEGORY("A category", 200),
    REF("A reference", 90),
    TITLE("A title", 300),
    PHRASING("A phrasing", 1000),
    ANSWER("An answer", 8000),
    ARTICLE("An article", 200_000),
    NOTE("A note", 4000),
    RELEASE_NOTE("A note", 2000),
    VARIABLE_NOTE("A note", 300),
    TRIGGER("A phrase", 300),
    ADDRESS("An address", 1000),
    SECRET("A key", 2000),
    UNIT("A unit", 30);

    private final String what;
    private final int most;

    Length(String what, int most) {
        this.what = what;
        this.most = most;
    }

    /** In UTF-16 units, as the columns count. */
    public int most() {
        return most;
    }

    /** Whether a text can be kept, as it is and cleaned: some characters are several when they are written out. */
    public boolean holds(String text) {
        return text.length() <= most && Words.clean(text).length() <= most;
    }

    /** As much of a text as can be kept, for names that nobody typed (those of files). */
    public String cut(String text) {
        return holds(text) ? text : Fit.within(Words.clean(text), most);
    }

    /** Why a text was refused. */
    public String tooLong() {
        return "%s can be %,d characters long at most.".formatted(what, most);
    }
}
