/** What a visitor meant by what they typed: readers of single values, and matching of typed text to offered options. */
@NullMarked
package com.shuttle.core.reading;

import org.jspecify.annotations.NullMarked;
