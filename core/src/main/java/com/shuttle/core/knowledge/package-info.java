/** Finding the stored answer to a question by words and by meaning, with a confidence and its reasons. */
@NullMarked
package com.shuttle.core.knowledge;

import org.jspecify.annotations.NullMarked;
