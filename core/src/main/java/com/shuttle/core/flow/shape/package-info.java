/**
 * What the settings of a kind of step are: one list of properties a kind, from which editing, the file's schema, finding and
 * replacing, renaming, histories, references and the controls of the script are derived. Knows JSON forms, no steps.
 */
@NullMarked
package com.shuttle.core.flow.shape;

import org.jspecify.annotations.NullMarked;
