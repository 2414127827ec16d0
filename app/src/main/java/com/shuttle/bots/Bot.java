package com.shuttle.bots;

/**
 * A bot's profile.
 *
 * @param slug     its part of the address {@code /chat/SLUG}
 * @param region   ISO 3166 country code
 * @param mainFlow id of the flow that conversations start in
 */
public record Bot(String id, String slug, String name, String description, String region, String mainFlow) {}
