package com.shuttle.core.listening;

import static java.nio.charset.StandardCharsets.UTF_8;
import static java.util.Objects.requireNonNull;

import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
            return new String(requireNonNull(in).readAllBytes(), UTF_8).lines().toList();
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
        if (Words.of(clause).isEmpty()) {
            return null;
        }
        double[] near = meaning.nearness(clause, WORDINGS);
        Map<BookingRequest, Double> scores = scores(clause, near);
        BookingRequest best = best(scores);
        double first = requireNonNull(scores.remove(best));
        double second = Math.max(nearest(OTHER, near), requireNonNull(scores.get(best(scores))));
        return first >= LEAST && first - second >= LEAD ? best : null;
    }

    /** What a clause that is surely about a booking most likely wants of it. */
    public static BookingRequest nearest(String clause, Meaning meaning) {
        return best(scores(clause, meaning.nearness(clause, WORDINGS)));
    }

    private static Map<BookingRequest, Double> scores(String clause, double[] near) {
        Set<String> said = new HashSet<>(Words.of(clause));
        Map<BookingRequest, Double> scores = new EnumMap<>(BookingRequest.class);
        for (BookingRequest kind : values()) {
            boolean pointed = POINTING.getOrDefault(kind, Set.of()).stream().anyMatch(said::contains);
            scores.put(kind, nearest(kind.key(), near) + (pointed ? POINTED : 0));
        }
        return scores;
    }

    private static BookingRequest best(Map<BookingRequest, Double> scores) {
        return Collections.max(scores.entrySet(), Map.Entry.comparingByValue()).getKey();
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
