package com.shuttle.knowledge;

import java.time.Instant;

/**
 * A question that no knowledge answered.
 *
 * @param question     as asked last
 * @param times        how often it was asked, differing in case and punctuation only
 * @param conversation id of the conversation it was asked in last
 */
public record Gap(String id, String bot, String question, int times, String conversation, Instant at) {}
