/**
 * Tables: typed columns, rows that are inserted, changed and filtered one by one in the database, the grid they are edited in.
 * Who uses a table (collections that answer from it) stands in higher packages and is told through {@link
 * com.shuttle.tables.TableUse}.
 */
@NullMarked
package com.shuttle.tables;

import org.jspecify.annotations.NullMarked;
