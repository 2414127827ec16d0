package com.shuttle.knowledge;

/**
 * A collection as lists show it.
 *
 * @param entries  how many there are
 * @param articles how many there are
 * @param tables   how many there are
 */
public record KnowledgeCollection(String id, String name, int entries, int articles, int tables) {}
