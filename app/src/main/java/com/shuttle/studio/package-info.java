/** The designer's screens of a bot: list, profile, script, rehearsal. */
@NullMarked
package com.shuttle.studio;

import org.jspecify.annotations.NullMarked;
