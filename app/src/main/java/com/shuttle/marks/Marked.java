package com.shuttle.marks;

import com.shuttle.core.acts.Mark;
import java.time.Instant;

/**
 * A mark as it is kept.
 *
 * @param author name of who set it; empty where that is unknown
 */
public record Marked(String id, Mark mark, String author, Instant at) {}
