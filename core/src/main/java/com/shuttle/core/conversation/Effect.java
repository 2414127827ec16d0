package com.shuttle.core.conversation;

/** What a turn brings about: words in the conversation, deeds within the turn's transaction, errands after it. */
public sealed interface Effect permits Effect.Say, Deed, Errand {

    /** Adds a message to the transcript. */
    record Say(Message message) implements Effect {}
}
