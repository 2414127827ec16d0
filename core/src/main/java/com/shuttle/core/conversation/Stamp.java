package com.shuttle.core.conversation;

import java.time.Instant;

/**
 * What the engine may not find out by itself: the time, and chance.
 *
 * @param at   when the event was taken
 * @param seed decides everything random in the turn, e.g. which wording is used
 */
public record Stamp(Instant at, long seed) {}
