package com.shuttle.bots;

/** A bot was deleted; told once that is so. @param id of the bot */
public record BotDeleted(String id) {}
