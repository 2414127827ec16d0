package com.shuttle.core.conversation;

/** A step of a flow, by their ids. */
public record Place(String flow, String step) {}
