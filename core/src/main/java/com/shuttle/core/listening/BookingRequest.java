package com.shuttle.core.listening;

import static java.nio.charset.StandardCharsets.UTF_8;

import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What somebody wants of what they have booked. Told by the nearest of some wordings of each kind, and of what is said besides
 * ({@code booking-requests.txt}): the cosine of the nearest, raised by {@link #POINTED} where a word of the message points to
 * the kind. A kind is taken from {@link #LEAST} on where no other comes within {@link #LEAD}. Thread-safe.
 */
public enum BookingRequest {
    MOVE,
    CANCEL,
    RECALL;

    private static final double POINTED = 0.12;
    private static final double LEAST = 0.5;
    private static final double LEAD = 0.05;

    private static final String OTHER = "other";
    private static final Set<String> NOUNS =
            Set.of("booking", "bookings", "appointment", "appointments", "reservation", "booked");

    private static final List<String> KINDS = new ArrayList<>();
    private static final List<String> WORDINGS = new ArrayList<>();
    private static final Map<BookingRequest, Set<String>> POINTING = new EnumMap<>(BookingRequest.class);

    static {
        for (String line : lines()) {
            String[] wording = line.split(": ", 2);
            String[] words = line.split(" = ", 2);
            if (line.startsWith("#")) {
                continue;
            }
            if (words.length == 2) {
                POINTING.put(of(words[0]), Set.of(words[1].split(" ")));
            } else {
                KINDS.add(wording[0]);
                WORDINGS.add(wording[1]);
            }
        }
    }

    private static List<String> lines() {
        try (InputStream in = BookingRequest.class.getResourceAsStream("booking-requests.txt")) {
            return new String(Objects.requireNonNull(in).readAllBytes(), UTF_8)
                    .lines()
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The stored form. */
    public String key() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** @throws IllegalArgumentException if there is no such kind */
    public static BookingRequest of(String key) {
        return valueOf(key.toUpperCase(Locale.ROOT));
    }

    /** Whether a message names a booking as one, so that it may be about one that nobody knows of yet. */
    public static boolean namesBooking(String text) {
        return Words.of(text).stream().anyMatch(NOUNS::contains);
    }

    /** What a clause wants of a booking; null for nothing of that. */
    public static @Nullable BookingRequest in(String clause, Meaning meaning) {
        Set<String> said = new HashSet<>(Words.of(clause));
        if (said.isEmpty()) {
            return null;
        }
        double[] near = meaning.nearness(clause, WORDINGS);
        BookingRequest best = null;
        double first = 0;
        double second = 0;
        for (BookingRequest kind : values()) {
            boolean pointed = POINTING.getOrDefault(kind, Set.of()).stream().anyMatch(said::contains);
            double score = nearest(kind.key(), near) + (pointed ? POINTED : 0);
            second = Math.max(second, Math.min(score, first));
            best = score > first ? kind : best;
            first = Math.max(first, score);
        }
        second = Math.max(second, nearest(OTHER, near));
        return first >= LEAST && first - second >= LEAD ? best : null;
    }

    private static double nearest(String kind, double[] near) {
        double nearest = 0;
        for (int i = 0; i < near.length; i++) {
            if (KINDS.get(i).equals(kind)) {
                nearest = Math.max(nearest, near[i]);
            }
        }
        return nearest;
    }
}
