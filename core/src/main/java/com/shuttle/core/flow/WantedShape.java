package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Property.Part;
import com.shuttle.core.flow.shape.When;
import java.util.Arrays;
import java.util.List;
import java.util.Set;

/** The properties that a {@link Question} and a {@link Fact} have in common. */
final class WantedShape {

    private static final When DAYS = When.is("type", "date", "date_time");
    private static final When TIMES = When.is("type", "time");
    private static final When NUMBERS = When.is("type", "number", "money", "slider", "rating");
    private static final When RATINGS = When.is("type", "rating");
    private static final When FILES = When.is("type", "file");

    private static final Form LOOKS = Forms.oneOf(
                    List.of(
                            new Form.Value("", "stars"),
                            new Form.Value("stars", "stars"),
                            new Form.Value("faces", "faces"),
                            new Form.Value("numbers", "numbers")),
                    "There is no such look.")
            .selecting(List.of(
                    new Form.Value("", "stars"),
                    new Form.Value("faces", "faces"),
                    new Form.Value("numbers", "numbers")));

    private static final Form MEGABYTES = Forms.countOrNone(1, 20, "A file can have 1 to 20 megabytes.");

    /** What an answer must keep to, by its type. */
    static final Part LIMITS = Part.folded(
            "limits",
            "the limits",
            List.of(
                    Field.of("min", Forms.NUMBER, "from", "no least").when(NUMBERS),
                    Field.of("max", Forms.NUMBER, "to", "no most").when(NUMBERS),
                    Field.of("whole", Forms.FLAG, "whole numbers only").when(When.is("type", "number")),
                    Field.of("by", Forms.NUMBER, "in steps of", "1").when(When.is("type", "slider")),
                    Field.of("look", LOOKS, "shown as").when(RATINGS),
                    Field.of("earliest", Forms.BOUND, "from", "any day")
                            .before("today, +3, 2026-05-01")
                            .when(DAYS),
                    Field.of("latest", Forms.BOUND, "to", "any day")
                            .before("+90, 2026-12-31")
                            .when(DAYS),
                    Field.of("weekdays", Forms.WEEKDAY_LIST, "only on", "every day of the week")
                            .when(DAYS),
                    Field.of("earliest", Forms.BOUND, "from", "00:00").when(TIMES),
                    Field.of("latest", Forms.BOUND, "to", "23:59").when(TIMES),
                    Field.of("region", Forms.REGION, "numbers of", "the bot's country")
                            .before("GB, DE …")
                            .when(When.is("type", "phone")),
                    Field.of("fileTypes", Forms.ENDINGS, "kinds of files", "jpg, png, pdf and other usual ones")
                            .when(FILES),
                    Field.of("megabytes", MEGABYTES, "at most", "10")
                            .before("MB")
                            .when(FILES)));

    /** The designer's own rules. */
    static final Items CHECKS = new Items(
            "checks",
            "a check",
            "Checks",
            "a check",
            "",
            "",
            "",
            20,
            Forms.schema("{}"),
            List.of(
                    Field.of("rule", Forms.CONDITION, "must hold", "guests at most 60")
                            .inSight(),
                    Field.of("words", Forms.LINE, "otherwise it says", "That does not fit here")
                            .inSight()),
            Items.Stands.FOLDED);

    private WantedShape() {}

    /** Any type of value but these. */
    static Form typeOtherThan(ValueType... others) {
        Set<ValueType> not = Set.of(others);
        return Forms.oneOf(
                        Arrays.stream(ValueType.values())
                                .filter(type -> !not.contains(type))
                                .map(type -> new Form.Value(type.key(), type.label()))
                                .toList(),
                        "There is no such type.")
                .withSchema(Forms.schema("{'$ref':'#/$defs/type'}"));
    }
}
