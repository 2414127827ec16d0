package com.shuttle.core.conversation;

/**
 * One thing a turn did, for the designer's eyes.
 *
 * @param rule   what took the message or made the move, e.g. "standing request"
 * @param detail what came of it
 * @param step   id of the step concerned; empty for none
 */
public record TraceLine(String rule, String detail, String step) {}
