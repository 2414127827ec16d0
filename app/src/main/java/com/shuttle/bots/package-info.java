/** Bots and the drafts of their flows: their list, their profiles, templates to begin with. */
@NullMarked
package com.shuttle.bots;

import org.jspecify.annotations.NullMarked;
