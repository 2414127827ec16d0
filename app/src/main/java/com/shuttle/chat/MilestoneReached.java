package com.shuttle.chat;

import java.time.Instant;

/** A conversation has reached a milestone, within the turn's transaction. */
public record MilestoneReached(String conversation, String bot, String milestone, Instant at) {}
