package com.shuttle.core.engine;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Finding.Why;
import com.shuttle.core.reading.Words;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A world for tests: known questions by a word they contain, and who is there. */
final class FakePorts implements Ports {

    private final Map<String, Match> byWord = new LinkedHashMap<>();
    boolean anybody = true;

    /** Answers every question with {@code word} in it; below 0.55 it is only suggested. */
    FakePorts knows(String word, String answer, double confidence) {
        byWord.put(
                word,
                new Match(
                        "e-" + word,
                        Source.ENTRY,
                        "About " + word,
                        confidence,
                        List.of(answer),
                        new Why(word, 1, 1, List.of(word))));
        return this;
    }

    /** Answers as {@link #knows}, by an entry that leads to a flow. */
    FakePorts knowsAndLeads(String word, String answer, String flow) {
        Why why = new Why(word, 1, 1, List.of(word));
        byWord.put(
                word,
                new Match(
                        "e-" + word, Source.ENTRY, "About " + word, 0.9, List.of(answer), why, new Ties("", "", flow)));
        return this;
    }

    @Override
    public Finding ask(List<String> turns, List<String> collections) {
        List<String> words = Words.of(turns.getLast());
        List<Match> matches = byWord.entrySet().stream()
                .filter(entry -> words.contains(entry.getKey()))
                .map(Map.Entry::getValue)
                .toList();
        if (matches.isEmpty()) {
            return Finding.NOTHING;
        }
        double best = matches.getFirst().confidence();
        return new Finding(best >= 0.55 ? Outcome.ANSWER : Outcome.SUGGEST, best, matches);
    }

    @Override
    public Optional<Match> entry(String ref) {
        return byWord.values().stream().filter(match -> match.ref().equals(ref)).findFirst();
    }

    /** Words in common, as a share of the option's. */
    @Override
    public List<Double> closeness(String text, List<String> others) {
        return others.stream()
                .map(other -> text.contains("stars") && other.contains("sky") ? 0.8 : 0.1)
                .toList();
    }

    @Override
    public boolean staffed(String team) {
        return anybody;
    }

    @Override
    public List<String> open(List<String> teamNames) {
        return anybody
                ? teamNames.stream()
                        .map(name -> name.toLowerCase(java.util.Locale.ROOT))
                        .toList()
                : List.of();
    }

    @Override
    public String signalAddress(String key) {
        return "https://bots.example/signal/" + key;
    }
}
