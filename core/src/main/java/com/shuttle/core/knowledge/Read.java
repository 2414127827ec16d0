package com.shuttle.core.knowledge;

import static java.util.Objects.requireNonNull;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.reading.Words;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * A unit with all that is worked out of its own texts, whatever else a collection holds: it is carried over from one index to
 * the next as long as its texts stay the same. Immutable.
 *
 * @param texts     its title and answer and its wordings, by each model
 * @param sentences the vectors of its sentences by the model for sentences
 * @param pieces    the word pieces it has, each once
 * @param stems     index forms of all its words
 * @param words     how often it has each word
 * @param normals   its wordings in normal form
 */
record Read(
        Unit unit,
        Map<Model, Texts> texts,
        List<Vector> sentences,
        int[] pieces,
        Set<String> stems,
        WordCounts words,
        List<String> normals) {

    /**
     * As one model reads it.
     *
     * @param whole    title and answer
     * @param wordings at least one
     */
    record Texts(Vector whole, Tokens wholeTokens, List<Vector> wordings, List<Tokens> wordingTokens) {}

    static Read of(Unit unit, Meaning meaning) {
        Map<Model, Texts> texts = new EnumMap<>(Model.class);
        for (Model model : Model.values()) {
            Embedding whole = meaning.readText(model, unit.whole());
            List<Embedding> wordings = unit.wordings().stream()
                    .map(wording -> meaning.readText(model, wording))
                    .toList();
            texts.put(
                    model,
                    new Texts(
                            Vector.of(whole.whole()),
                            whole.tokens(),
                            wordings.stream()
                                    .map(reading -> Vector.of(reading.whole()))
                                    .toList(),
                            wordings.stream().map(Embedding::tokens).toList()));
        }
        Texts first = requireNonNull(texts.get(Model.SENTENCES));
        String text = unit.text();
        return new Read(
                unit,
                texts,
                unit.sentences().stream()
                        .map(sentence -> Vector.of(meaning.ofText(Model.SENTENCES, sentence)))
                        .toList(),
                IntStream.concat(
                                Arrays.stream(first.wholeTokens().ids()),
                                first.wordingTokens().stream().flatMapToInt(tokens -> Arrays.stream(tokens.ids())))
                        .distinct()
                        .toArray(),
                WordIndex.stems(text),
                WordCounts.of(text),
                unit.wordings().stream().map(Words::normal).toList());
    }

    Texts by(Model model) {
        return requireNonNull(texts.get(model));
    }

    /** The same texts under another ref. */
    Read as(String ref, Ties ties) {
        return ref.equals(unit.ref()) && ties.equals(unit.ties())
                ? this
                : new Read(unit.as(ref, ties), texts, sentences, pieces, stems, words, normals);
    }
}
