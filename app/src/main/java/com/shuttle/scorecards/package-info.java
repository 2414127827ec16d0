/** Scorecards as they are drafted. */
@NullMarked
package com.shuttle.scorecards;

import org.jspecify.annotations.NullMarked;
