package com.shuttle.core.table;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.table.Adjectives.Adjective;
import com.shuttle.core.table.Adjectives.Form;
import com.shuttle.core.table.Column.Bound;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Condition.All;
import com.shuttle.core.table.Condition.Any;
import com.shuttle.core.table.Condition.Has;
import com.shuttle.core.table.Condition.Is;
import com.shuttle.core.table.Condition.Not;
import com.shuttle.core.table.Joining.Atom;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The words that questions about tables are made of, and how conditions come together. */
class QuestionWordsTest {

    private static final Column COLOUR = new Column("c", "Colour", Kind.TEXT, "");
    private static final Column USES = new Column("u", "Uses", Kind.LIST, "");
    private static final Column FOLDS = new Column("f", "Folds", Kind.YES_NO, "");

    @ParameterizedTest
    @CsvSource({
        "telescopes,telescope",
        "boats,boat",
        "ponies,pony",
        "dishes,dishe",
        "glass,glass",
        "bus,bus",
        "lens,len",
        "gas,gas",
        "kg,kg",
        "trees,tree"
    })
    void pluralsAreComparedAsSingulars(String word, String singular) {
        assertThat(Phrase.singular(word)).isEqualTo(singular);
        assertThat(Phrase.singular(Phrase.singular(word)).length()).isLessThanOrEqualTo(singular.length());
    }

    @Test
    void figuresAreCutFromTheirUnits() {
        assertThat(Phrase.of("150mm Mirror, T-90/x")).containsExactly("150", "mm", "mirror", "t", "90", "x");
    }

    @ParameterizedTest
    @CsvSource({
        "cheapest,SUPERLATIVE,false",
        "dearer,COMPARATIVE,true",
        "heaviest,SUPERLATIVE,true",
        "biggest,SUPERLATIVE,true",
        "larger,COMPARATIVE,true",
        "lighter,COMPARATIVE,false",
        "fewest,SUPERLATIVE,false",
        "less,COMPARATIVE,false",
        "tiny,PLAIN,false"
    })
    void adjectivesHaveTheirForms(String word, Form form, boolean more) {
        Adjective adjective = Adjectives.of(word).orElseThrow();
        assertThat(adjective.form()).isEqualTo(form);
        assertThat(adjective.more()).isEqualTo(more);
    }

    @Test
    void degreesTurnAdjectivesRound() {
        Adjective less = Adjectives.of("less").orElseThrow();
        Adjective most = Adjectives.of("most").orElseThrow();
        assertThat(Adjectives.after(less, "heavy").orElseThrow().more()).isFalse();
        assertThat(Adjectives.after(less, "cheap").orElseThrow().more()).isTrue();
        assertThat(Adjectives.after(most, "expensive").orElseThrow().form()).isEqualTo(Form.SUPERLATIVE);
        assertThat(Adjectives.after(most, "cheapest")).isEmpty();
        assertThat(Adjectives.of("purple")).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"g,kg,1500,1.5", "kg,g,2,2000", "ft,m,10,3.048", "hour,min,1.5,90", "mile,km,1,1.609344", "kg,kg,7,7"})
    void unitsAreConverted(String from, String to, BigDecimal figure, BigDecimal expected) {
        BigDecimal converted = Units.convert(
                figure, Units.listed(from).orElseThrow(), Units.listed(to).orElseThrow());
        assertThat(converted).isEqualByComparingTo(expected);
    }

    @Test
    void aUnitThatIsNotListedMeasuresItself() {
        Optional<Units.Unit> pages = Units.of(new Column("p", "Pages", Kind.NUMBER, "Pages"));
        assertThat(pages.orElseThrow().measures()).isEqualTo("page");
        assertThat(Units.listed("pages")).isEmpty();
        assertThat(Units.of(COLOUR)).isEmpty();
    }

    @Test
    void aBoundIsForFiguresOnly() {
        assertThat(new Column("p", "Places", Kind.NUMBER, "people", List.of(), Bound.UP_TO).bound())
                .isEqualTo(Bound.UP_TO);
        assertThat(new Column("c", "Colour", Kind.TEXT, "", List.of(), Bound.UP_TO).bound())
                .isEqualTo(Bound.EXACT);
    }

    private static Has has(Column column, String value) {
        return new Has(column, List.of(value), value);
    }

    private static Atom atom(Condition condition, Column column, boolean negated, boolean or) {
        return new Atom(column, condition, negated, or);
    }

    @Test
    void conditionsOfOneColumnBelongTogether() {
        Is folds = new Is(FOLDS, true);
        assertThat(Joining.join(List.of())).isEqualTo(new All(List.of()));
        assertThat(Joining.join(List.of(
                        atom(has(COLOUR, "red"), COLOUR, false, false),
                        atom(has(COLOUR, "blue"), COLOUR, false, false),
                        atom(folds, FOLDS, false, false))))
                .isEqualTo(new All(List.of(new Any(List.of(has(COLOUR, "red"), has(COLOUR, "blue"))), folds)));
        assertThat(Joining.join(List.of(
                        atom(has(USES, "sea"), USES, false, false), atom(has(USES, "lake"), USES, false, false))))
                .isEqualTo(new All(List.of(has(USES, "sea"), has(USES, "lake"))));
        assertThat(Joining.join(List.of(
                        atom(has(COLOUR, "red"), COLOUR, true, false), atom(has(COLOUR, "blue"), COLOUR, false, true))))
                .isEqualTo(new All(List.of(new Not(has(COLOUR, "red")), new Not(has(COLOUR, "blue")))));
    }

    @Test
    void orBetweenColumnsSeparatesWhatAndJoins() {
        Is folds = new Is(FOLDS, true);
        assertThat(Joining.join(List.of(
                        atom(has(COLOUR, "red"), COLOUR, false, false),
                        atom(has(USES, "sea"), USES, false, false),
                        atom(folds, FOLDS, false, true))))
                .isEqualTo(new Any(List.of(new All(List.of(has(COLOUR, "red"), has(USES, "sea"))), folds)));
    }
}
