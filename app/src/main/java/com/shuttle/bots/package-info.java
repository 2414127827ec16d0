/** Bots and the drafts of their flows. */
@NullMarked
package com.shuttle.bots;

import org.jspecify.annotations.NullMarked;
