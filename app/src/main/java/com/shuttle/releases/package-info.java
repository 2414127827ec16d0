/** Immutable, numbered versions of bots. */
@NullMarked
package com.shuttle.releases;

import org.jspecify.annotations.NullMarked;
