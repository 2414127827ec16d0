/** What a conversation looks like on a phone: what fits there, how it is laid out, and what a reply means. Pure functions. */
@NullMarked
package com.shuttle.core.channel;

import org.jspecify.annotations.NullMarked;
