/** Who is the same person: addresses in their normal form, and matching by them. */
@NullMarked
package com.shuttle.core.people;

import org.jspecify.annotations.NullMarked;
