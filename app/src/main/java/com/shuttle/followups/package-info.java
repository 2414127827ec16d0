/** Follow-ups: what goes out to leads after a time, to whom, and why not. */
@NullMarked
package com.shuttle.followups;

import org.jspecify.annotations.NullMarked;
