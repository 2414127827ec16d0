package com.shuttle.chat;

import com.shuttle.core.engine.Message;
import java.time.Instant;

/** A message with the time it was taken. */
public record Line(Message message, Instant at) {}
