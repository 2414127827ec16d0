package com.shuttle.chat;

import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.Prompt;
import com.shuttle.core.conversation.Speaker;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What an event led to.
 *
 * @param seq      of the last message
 * @param messages those of bot and agent that the turn brought
 * @param awaiting what the conversation waits for now
 */
public record Reply(
        long seq, List<Message> messages, @Nullable Prompt awaiting, Speaker speaker) {
    public Reply {
        messages = List.copyOf(messages);
    }
}
