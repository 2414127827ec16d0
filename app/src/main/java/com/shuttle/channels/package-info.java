/** Conversations on phones: channels to them over HTTP, what is heard from there, and what is delivered. */
@NullMarked
package com.shuttle.channels;

import org.jspecify.annotations.NullMarked;
