package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Entry;
import java.time.Instant;

/** An entry with its place in the database. */
public record StoredEntry(String id, String collection, Entry entry, Instant updatedAt) {}
