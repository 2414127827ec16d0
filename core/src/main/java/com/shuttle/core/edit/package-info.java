/** Changes to a flow as values, with what each did in words. */
@NullMarked
package com.shuttle.core.edit;

import org.jspecify.annotations.NullMarked;
