/**
 * Tables of typed columns, and questions about them in plain words.
 *
 * <p>A question is read against one table by {@link com.shuttle.core.table.TableQuestion}: phrases of the table (its name,
 * its columns, the values that stand in them, the titles of its rows) are found longest first; comparisons take the figure
 * that follows and the column that was named, or else the one that has the figure's unit; superlatives order; <i>and</i>
 * binds tighter than <i>or</i>, and figures and values of one column that are joined by <i>or</i> belong together. How
 * sure a reading is comes from the share of the telling words it accounts for: a word that is not understood may be a
 * condition that is not kept. The figure is a rule of thumb and not fitted to anything, unlike the confidence of entries
 * and articles.
 */
@NullMarked
package com.shuttle.core.table;

import org.jspecify.annotations.NullMarked;
