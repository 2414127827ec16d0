package com.shuttle.leads;

import java.time.Instant;

/**
 * Somebody who left name and email with a bot.
 *
 * @param conversation  the latest one
 * @param conversations how many there were
 */
public record Lead(
        String id,
        String bot,
        String name,
        String email,
        String phone,
        String conversation,
        int conversations,
        Instant firstAt,
        Instant lastAt) {}
