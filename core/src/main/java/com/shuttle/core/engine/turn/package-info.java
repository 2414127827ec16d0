/** A turn in the making, and what everything that happens in it shares. */
@NullMarked
package com.shuttle.core.engine.turn;

import org.jspecify.annotations.NullMarked;
