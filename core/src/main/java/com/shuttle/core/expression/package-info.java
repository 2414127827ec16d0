/**
 * Conditions and computed values in CEL (the Common Expression Language), typed against a bot's variables; the same
 * rules as rows and in plain words.
 */
@NullMarked
package com.shuttle.core.expression;

import org.jspecify.annotations.NullMarked;
