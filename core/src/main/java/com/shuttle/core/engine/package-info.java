/** One turn of a conversation: (playbook, state, event) gives (state, effects, trace). Deterministic; no input or output. */
@NullMarked
package com.shuttle.core.engine;

import org.jspecify.annotations.NullMarked;
