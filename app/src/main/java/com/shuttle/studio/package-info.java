/** Where flows are written: script, map, history, variables, responses, rehearsal. */
@NullMarked
package com.shuttle.studio;

import org.jspecify.annotations.NullMarked;
