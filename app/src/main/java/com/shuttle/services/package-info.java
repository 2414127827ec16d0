/** Services outside that bots call: their descriptions, connections, calls and what those came to. */
@NullMarked
package com.shuttle.services;

import org.jspecify.annotations.NullMarked;
