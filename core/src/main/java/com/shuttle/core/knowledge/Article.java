package com.shuttle.core.knowledge;

/** A longer text in Markdown, answered from by passage. The {@code ref} is unique within its collection. */
public record Article(String ref, String title, String markdown, String category) {}
