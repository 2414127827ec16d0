package com.shuttle.web;

/**
 * A tab among the pages of a bot. Every bean of this type is shown, in the order of the work.
 *
 * @param name  unique; pages say which tab they belong to by it
 * @param label on the tab
 * @param path  below the bot's own address; empty for that
 * @param place among the others
 */
public record BotTab(String name, String label, String path, int place) {}
