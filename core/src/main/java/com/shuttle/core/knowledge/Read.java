package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.reading.Words;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/**
 * A unit with all that is worked out of its own texts, whatever else a collection holds: it is carried over from one index to
 * the next as long as its texts stay the same. Immutable.
 *
 * @param vectors of the texts of each look, in their order
 * @param stems   index forms of all its words
 * @param words   how often it has each word
 * @param normals its wordings in normal form
 */
record Read(Unit unit, Map<Look, List<Vector>> vectors, Set<String> stems, WordCounts words, List<String> normals) {

    /** The ways to look at a unit: some of its texts, as one model reads them. */
    enum Look {
        WHOLES(Model.SENTENCES, unit -> List.of(unit.whole())),
        SENTENCES(Model.SENTENCES, Unit::sentences),
        WORDINGS(Model.WORDINGS, Unit::wordings),
        ANSWERS(Model.ANSWERS, unit -> List.of(unit.whole()));

        private final Model model;
        private final Function<Unit, List<String>> texts;

        Look(Model model, Function<Unit, List<String>> texts) {
            this.model = model;
            this.texts = texts;
        }

        /** At least one. */
        List<String> texts(Unit unit) {
            return texts.apply(unit);
        }
    }

    static Read of(Unit unit, Meaning meaning) {
        Map<Look, List<Vector>> vectors = new EnumMap<>(Look.class);
        for (Look look : Look.values()) {
            vectors.put(
                    look,
                    look.texts(unit).stream()
                            .map(text -> Vector.of(meaning.ofText(look.model, text)))
                            .toList());
        }
        String text = unit.text();
        return new Read(
                unit,
                vectors,
                WordIndex.stems(text),
                WordCounts.of(text),
                unit.wordings().stream().map(Words::normal).toList());
    }

    /** The same texts under another ref. */
    Read as(String ref, Ties ties) {
        return ref.equals(unit.ref()) && ties.equals(unit.ties())
                ? this
                : new Read(unit.as(ref, ties), vectors, stems, words, normals);
    }
}
