/** Where flows are written: script, map, history, variables, rehearsal. */
@NullMarked
package com.shuttle.studio;

import org.jspecify.annotations.NullMarked;
