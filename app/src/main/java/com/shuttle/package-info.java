/** The Shuttle server. */
@NullMarked
package com.shuttle;

import org.jspecify.annotations.NullMarked;
