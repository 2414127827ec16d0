/** Where people take conversations. */
@NullMarked
package com.shuttle.inbox;

import org.jspecify.annotations.NullMarked;
