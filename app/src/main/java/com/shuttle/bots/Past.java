package com.shuttle.bots;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * One edit of a flow, as the history tells it.
 *
 * @param edit    its number, from 0
 * @param words   what it did
 * @param account id of who made it; null where that is unknown
 * @param at      when, UTC; of typing that went on, its end
 */
public record Past(int edit, String words, @Nullable String account, Instant at) {}
