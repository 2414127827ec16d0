package com.shuttle.core.engine;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Random;

/** Lists of what people say, each in two halves: one to build with, and one to measure with that is not looked at. */
final class Wordings {

    enum Half {
        KNOWN,
        HELD_OUT
    }

    private final Map<String, List<String>> lists = new HashMap<>();

    Wordings(String resource) {
        String list = "";
        for (String line : read(resource).lines().map(String::strip).toList()) {
            if (line.startsWith("[")) {
                list = line.substring(1, line.length() - 1);
            } else if (!line.isEmpty() && !line.startsWith("#")) {
                lists.computeIfAbsent(list, name -> new ArrayList<>()).add(line);
            }
        }
    }

    private static String read(String resource) {
        try (InputStream in = Objects.requireNonNull(Wordings.class.getResourceAsStream(resource))) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    boolean has(String list) {
        return lists.containsKey(list);
    }

    /** One of a half's wordings. */
    String any(String list, Half half, Random random) {
        List<String> all = lists.get(list);
        int size = (all.size() + (half == Half.KNOWN ? 1 : 0)) / 2;
        return all.get(2 * random.nextInt(size) + half.ordinal());
    }
}
