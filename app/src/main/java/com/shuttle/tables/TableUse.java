package com.shuttle.tables;

import java.util.List;

/** Tells where tables are used. Every bean of this type is asked; so this package need not know who uses them. */
@FunctionalInterface
public interface TableUse {

    /**
     * One place that uses a table.
     *
     * @param words what it is and what it does with the table
     * @param path  of its page
     */
    record Place(String words, String path) {}

    List<Place> of(String table);
}
