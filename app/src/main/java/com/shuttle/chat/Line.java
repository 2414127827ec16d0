package com.shuttle.chat;

import com.shuttle.core.conversation.Message;
import java.time.Instant;

/** A message with the time it was taken. */
public record Line(Message message, Instant at) {}
