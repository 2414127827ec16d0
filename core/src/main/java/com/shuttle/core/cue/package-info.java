/** When a bot speaks up on a website: cues in an order, of which the first that fits acts. */
@NullMarked
package com.shuttle.core.cue;

import org.jspecify.annotations.NullMarked;
