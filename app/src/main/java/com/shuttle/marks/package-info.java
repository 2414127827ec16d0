/** What designers said of messages: what a clause does where it was said. Heard at once, kept with the bot, exported with it. */
@NullMarked
package com.shuttle.marks;

import org.jspecify.annotations.NullMarked;
