/** Collections of knowledge, their indexes, and gaps. */
@NullMarked
package com.shuttle.knowledge;

import org.jspecify.annotations.NullMarked;
