/**
 * What a scorecard comes to: the sum with its reasons, what it could come to at all, what is wrong with it, and what a change of
 * it does to whom was scored before.
 */
@NullMarked
package com.shuttle.core.scoring;

import org.jspecify.annotations.NullMarked;
