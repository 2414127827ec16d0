package com.shuttle.core.acts;

import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.flow.ValueType;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The messages that acts are learnt from, cut into clauses by hand. */
final class Samples {

    /** By manner: each file was written at another time, in another way. */
    static final List<String> FILES =
            List.of("acts.jsonl", "acts-2.jsonl", "compound.jsonl", "manners.txt", "manners-2.txt", "manners-3.txt");

    private static final JsonMapper JSON = JsonMapper.shared();

    private static final Map<String, Kind> SHORT = Map.of("refuse", Kind.REFUSE, "not-yet", Kind.NOT_YET);

    /** A message in its situation, cut into clauses. */
    record Message(String file, String trade, Situation situation, String text, List<Clause> clauses) {}

    /** @param start where it begins in its message */
    record Clause(String text, int start, Kind kind) {}

    private Samples() {}

    static List<Message> all() {
        return FILES.stream().flatMap(file -> of(file).stream()).toList();
    }

    static List<Message> of(String file) {
        List<String> lines =
                new String(bytes(file), StandardCharsets.UTF_8).lines().toList();
        return file.endsWith(".jsonl")
                ? lines.stream().map(line -> message(file, JSON.readTree(line))).toList()
                : manners(file, lines);
    }

    /** Of all files, so that it is known what weights were learnt from. */
    static String hash() {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            FILES.forEach(file -> digest.update(bytes(file)));
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static byte[] bytes(String file) {
        try (InputStream in = Samples.class.getResourceAsStream("/listening/acts/" + file)) {
            if (in == null) {
                throw new IllegalStateException("missing " + file);
            }
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Message message(String file, JsonNode node) {
        JsonNode context = node.get("context");
        List<String> options = new ArrayList<>();
        context.get("options").forEach(option -> options.add(option.asString()));
        Map<String, String> known = new LinkedHashMap<>();
        context.get("known")
                .properties()
                .forEach(entry -> known.put(entry.getKey(), entry.getValue().asString()));
        List<Clause> clauses = new ArrayList<>();
        node.get("clauses")
                .forEach(clause -> clauses.add(new Clause(
                        clause.get("text").asString(),
                        clause.get("start").asInt(),
                        Kind.of(clause.get("kind").asString()))));
        return new Message(
                file,
                node.get("trade").asString(),
                situation(
                        context.get("type").asString(), context.get("question").asString(), options, known),
                node.get("message").asString(),
                clauses);
    }

    static Situation situation(String type, String question, List<String> options, Map<String, String> known) {
        Pending pending = switch (type) {
            case "none" -> Pending.OPEN;
            case "choice" -> Pending.CHOICE;
            case "several" -> Pending.SEVERAL;
            case "confirm" -> Pending.CONFIRM;
            case "offered" -> Pending.OFFERED;
            default -> Pending.VALUE;
        };
        return new Situation(pending, pending == Pending.VALUE ? type(type) : null, question, options, known);
    }

    private static ValueType type(String type) {
        return switch (type) {
            case "date" -> ValueType.DATE;
            case "yesno" -> ValueType.YES_NO;
            case "phone" -> ValueType.PHONE;
            case "datetime" -> ValueType.DATE_TIME;
            case "money" -> ValueType.MONEY;
            case "number" -> ValueType.NUMBER;
            case "time" -> ValueType.TIME;
            case "name" -> ValueType.PERSON_NAME;
            case "place" -> ValueType.PLACE;
            case "email" -> ValueType.EMAIL;
            case "text", "address", "duration" -> ValueType.TEXT;
            default -> throw new IllegalArgumentException("no such type: " + type);
        };
    }

    private static List<Message> manners(String file, List<String> lines) {
        List<Message> messages = new ArrayList<>();
        String trade = "";
        Situation situation = Situation.NONE;
        for (String line : lines) {
            if (line.startsWith("@")) {
                String[] parts = Arrays.stream(line.substring(1).split("\\|", -1))
                        .map(String::strip)
                        .toArray(String[]::new);
                trade = parts[0];
                situation = situation(
                        parts[1],
                        parts[2],
                        parts[3].isEmpty() ? List.of() : List.of(parts[3].split(",\\s*")),
                        known(parts[4]));
            } else if (!line.isBlank() && !line.startsWith("#")) {
                messages.add(message(file, trade, situation, line));
            }
        }
        return messages;
    }

    private static Map<String, String> known(String text) {
        Map<String, String> known = new LinkedHashMap<>();
        for (String pair : text.isEmpty() ? new String[0] : text.split(";\\s*")) {
            known.put(pair.substring(0, pair.indexOf('=')), pair.substring(pair.indexOf('=') + 1));
        }
        return known;
    }

    private static Message message(String file, String trade, Situation situation, String line) {
        StringBuilder text = new StringBuilder();
        List<Clause> clauses = new ArrayList<>();
        for (String part : line.split(" \\| ")) {
            int space = part.indexOf(' ');
            String words = part.substring(space + 1);
            if (!text.isEmpty()) {
                text.append(' ');
            }
            String kind = part.substring(0, space);
            clauses.add(new Clause(words, text.length(), SHORT.getOrDefault(kind, Kind.of(kind))));
            text.append(words);
        }
        return new Message(file, trade, situation, text.toString(), clauses);
    }
}
