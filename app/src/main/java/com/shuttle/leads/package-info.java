/** Who left name and email. */
@NullMarked
package com.shuttle.leads;

import org.jspecify.annotations.NullMarked;
