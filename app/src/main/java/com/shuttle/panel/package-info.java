/** The chat on the organisation's own websites: where it shows, how it looks, and when it speaks up. */
@NullMarked
package com.shuttle.panel;

import org.jspecify.annotations.NullMarked;
