/** The optional connection to a language model, which may choose among what was found and reword it, and no more. */
@NullMarked
package com.shuttle.model;

import org.jspecify.annotations.NullMarked;
