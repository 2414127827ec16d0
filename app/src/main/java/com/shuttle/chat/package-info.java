/** Conversations: the shell around the engine, live updates, and the visitor's page. */
@NullMarked
package com.shuttle.chat;

import org.jspecify.annotations.NullMarked;
