package com.shuttle.bots;

import com.shuttle.bots.Manners.Saying;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A bot's manners as the fields of a form, and what is read from those. Pure functions.
 *
 * @param sayings  as written, whether or not it fits
 * @param standing of the requests that are not as usual
 * @param letters  as written
 * @param errors   a sentence for each field that does not fit; empty where all do
 */
record MannersForm(
        Map<Occasion, Saying> sayings,
        List<StandingWords> standing,
        String letters,
        List<Response> responses,
        int speed,
        Map<String, String> errors) {

    private static final String ON = "on";
    private static final int LONGEST = 1000;
    private static final int LONGEST_OFFER = 80;
    private static final int MOST_LINES = 20;
    private static final int MOST_OFFERS = 8;
    private static final int MOST_PHRASES = 50;

    /** The fields as a browser sends them. */
    static Map<String, String> fields(Bot bot) {
        Map<String, String> fields = new LinkedHashMap<>();
        Map<Occasion, Saying> sayings = new EnumMap<>(Occasion.class);
        for (Occasion occasion : Occasion.values()) {
            sayings.put(occasion, Saying.of(Response.usual(occasion)));
        }
        bot.manner().responses().forEach(response -> sayings.put(response.occasion(), Saying.of(response)));
        sayings.values().forEach(saying -> {
            String key = saying.key();
            fields.put(key, saying.on() ? ON : "");
            fields.put(key + "-say", saying.say());
            fields.put(key + "-outside", saying.outside());
            fields.put(key + "-offers", saying.offers());
            fields.put(key + "-minutes", saying.minutes());
            fields.put(key + "-flow", saying.flow());
        });
        for (String request : Manners.REQUESTS.keySet()) {
            StandingWords words = bot.standing().stream()
                    .filter(one -> one.request().equals(request))
                    .findFirst()
                    .orElseGet(() -> new StandingWords(request, false, List.of()));
            fields.put(request, words.off() ? "" : ON);
            fields.put(request + "-phrases", String.join("\n", words.phrases()));
            fields.put(request + "-flow", words.flow());
        }
        fields.put("letters", Integer.toString(bot.manner().letters()));
        return fields;
    }

    static MannersForm read(Map<String, String> form) {
        Map<String, String> errors = new LinkedHashMap<>();
        Map<Occasion, Saying> sayings = new EnumMap<>(Occasion.class);
        List<Response> responses = new ArrayList<>();
        for (Occasion occasion : Occasion.values()) {
            Saying saying = written(occasion, form);
            sayings.put(occasion, saying);
            Response response = response(saying, errors);
            if (!response.equals(Response.usual(occasion))) {
                responses.add(response);
            }
        }
        List<StandingWords> standing = Manners.REQUESTS.keySet().stream()
                .map(request -> standing(request, form, errors))
                .filter(words -> words.off()
                        || !words.phrases().isEmpty()
                        || !words.flow().isEmpty())
                .toList();
        String letters = form.getOrDefault("letters", "0").strip();
        int speed = letters.isEmpty() ? 0 : letters.matches("\\d{1,4}") ? Integer.parseInt(letters) : -1;
        if (speed < 0 || speed > Manner.FASTEST) {
            errors.put("letters", Manner.NO_SPEED);
        }
        return new MannersForm(sayings, standing, letters, responses, speed, errors);
    }

    private static boolean on(Map<String, String> form, String field) {
        return !form.getOrDefault(field, "").isEmpty();
    }

    private static Saying written(Occasion occasion, Map<String, String> form) {
        String key = occasion.key();
        return new Saying(
                occasion,
                on(form, key),
                form.getOrDefault(key + "-say", ""),
                form.getOrDefault(key + "-outside", ""),
                form.getOrDefault(key + "-offers", ""),
                form.getOrDefault(key + "-minutes", Integer.toString(Response.USUAL_MINUTES)),
                form.getOrDefault(key + "-flow", ""));
    }

    private static Response response(Saying saying, Map<String, String> errors) {
        String key = saying.key();
        return new Response(
                saying.occasion(),
                saying.on(),
                lines(saying.say(), LONGEST, MOST_LINES, key + "-say", errors),
                lines(saying.outside(), LONGEST, MOST_LINES, key + "-outside", errors),
                lines(saying.offers(), LONGEST_OFFER, MOST_OFFERS, key + "-offers", errors),
                minutes(saying, errors),
                saying.flow());
    }

    private static StandingWords standing(String request, Map<String, String> form, Map<String, String> errors) {
        String key = request + "-phrases";
        return new StandingWords(
                request,
                !on(form, request),
                lines(form.getOrDefault(key, ""), Length.LINE.most(), MOST_PHRASES, key, errors),
                form.getOrDefault(request + "-flow", ""));
    }

    private static List<String> lines(String text, int longest, int most, String field, Map<String, String> errors) {
        List<String> lines = text.lines()
                .map(line -> Words.clean(line))
                .filter(line -> !line.isEmpty())
                .toList();
        if (lines.size() > most || lines.stream().anyMatch(line -> line.length() > longest)) {
            errors.put(field, "Please write at most %d lines of up to %,d characters.".formatted(most, longest));
        }
        return lines;
    }

    private static int minutes(Saying saying, Map<String, String> errors) {
        String written = saying.minutes().strip();
        boolean fine = written.matches("[1-9]\\d{0,4}") && Integer.parseInt(written) <= Response.MOST_MINUTES;
        if (saying.occasion().timed() && saying.on() && !fine) {
            errors.put(
                    saying.key() + "-minutes", "Please give minutes from 1 to %,d.".formatted(Response.MOST_MINUTES));
        }
        return fine ? Integer.parseInt(written) : Response.USUAL_MINUTES;
    }
}
