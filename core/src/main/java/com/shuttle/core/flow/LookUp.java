package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.Shape;
import com.shuttle.core.flow.shape.Shape.Aside;
import com.shuttle.core.flow.shape.When;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Finds rows of a table as it is at this moment: the first one, whose cells go into variables, or many, whose names go into a
 * list.
 *
 * @param table   id of the table
 * @param where   what a row must have; all of it
 * @param order   key of the column that rows are ordered by; empty for the table's own order
 * @param falling whether the greatest comes first
 * @param many    whether more than one is wanted
 * @param list    where many: the list variable that the names of the rows go to
 * @param most    where many: so many at most, 1 to {@value #MOST}
 * @param takes   where one: which of its cells go where
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record LookUp(
        String id,
        @JsonInclude String title,
        @JsonInclude String note,
        @JsonInclude String table,
        List<Where> where,
        String order,
        boolean falling,
        boolean many,
        String list,
        int most,
        List<Take> takes,
        @JsonInclude Map<String, Target> exits)
        implements Step {

    /** Rows that are found at most. */
    public static final int MOST = 50;

    public static final ExitSlot FOUND = ExitSlot.on("found", "found");
    public static final ExitSlot NONE = ExitSlot.own("none", "none");

    /**
     * One thing that a row must have.
     *
     * @param column key of the column
     * @param named  where there is none: the variable that has its name, as the visitor calls it
     * @param value  with placeholders; one that comes to nothing asks for nothing
     */
    public record Where(String id, String column, String named, Comparison comparison, String value) {

        static final Items WHERE = new Items(
                "where",
                "a condition",
                "Rows where",
                "a condition",
                "id",
                "w",
                "",
                20,
                Forms.schema("{'comparison':'is'}"),
                List.of(
                        Field.of("column", ColumnForms.COLUMN, "", "a column")
                                .inSight()
                                .called("a condition"),
                        Field.of("named", Forms.VARIABLE, "or the one named in", "variable")
                                .when(When.is("column", "")),
                        Field.of("comparison", ColumnForms.COMPARISON, "", "how it compares")
                                .inSight()
                                .reshaping()
                                .called("a condition"),
                        Field.of("value", Forms.LINE, "", "{{language}}")
                                .inSight()
                                .when(When.is("comparison", "filled", "empty").not())
                                .called("a condition")),
                Items.Stands.AFTER);

        public Where {
            column = Parts.text(column);
            named = Parts.text(named);
            comparison = comparison == null ? Comparison.IS : comparison;
            value = Parts.text(value);
        }
    }

    /**
     * A cell of the row that goes into a variable.
     *
     * @param column key of the column
     * @param named  where there is none: the variable that has its name, as the visitor calls it
     * @param type   of the variable: text, number, money, date or yes_no
     */
    public record Take(String id, String column, String named, String variable, ValueType type) {

        private static final List<ValueType> TYPES =
                List.of(ValueType.TEXT, ValueType.NUMBER, ValueType.MONEY, ValueType.DATE, ValueType.YES_NO);

        static final Items TAKES = new Items(
                        "takes",
                        "a cell",
                        "",
                        "a cell",
                        "id",
                        "t",
                        "",
                        40,
                        Forms.schema("{}"),
                        List.of(
                                Field.of("column", ColumnForms.COLUMN, "takes", "a column")
                                        .inSight(),
                                Field.of("named", Forms.VARIABLE, "or the one named in", "variable")
                                        .when(When.is("column", "")),
                                Field.of("variable", Forms.VARIABLE, "into", "variable")
                                        .inSight(),
                                Field.of(
                                                "type",
                                                Forms.oneOf(
                                                        TYPES.stream()
                                                                .map(type -> new Form.Value(type.key(), type.label()))
                                                                .toList(),
                                                        "A cell is kept as text, number, money, date, or yes or no."),
                                                "as")
                                        .inSight()),
                        Items.Stands.AFTER)
                .when(When.says("many").not());

        public Take {
            column = Parts.text(column);
            named = Parts.text(named);
            variable = Parts.text(variable);
            type = type == null || !TYPES.contains(type) ? ValueType.TEXT : type;
        }
    }

    /** Its properties. */
    public static final Shape SHAPE = Shape.of(
                    ColumnForms.TABLE,
                    Field.of("many", Forms.either("the first row", "several rows"), "finds")
                            .inSight()
                            .reshaping(),
                    Field.of("list", Forms.VARIABLE, "into the list", "variable")
                            .inSight()
                            .when(When.says("many")),
                    Where.WHERE,
                    Take.TAKES,
                    Field.of("order", ColumnForms.COLUMN, "ordered by", "the table's own order"),
                    Field.of("falling", Forms.either("smallest first", "greatest first"), ""),
                    Field.of("most", Forms.countOrNone(1, MOST, "Rows are a number from 1 to 50."), "at most", "10")
                            .before("rows")
                            .when(When.says("many")))
            .beside(step -> new Aside("in", "", step.path("table").asString("")))
            .beginning("{\"table\":\"\"}");

    public LookUp {
        title = Parts.text(title);
        note = Parts.text(note);
        table = Parts.text(table);
        where = where == null ? List.of() : List.copyOf(where);
        order = Parts.text(order);
        list = Parts.text(list);
        takes = takes == null ? List.of() : List.copyOf(takes);
        exits = Parts.frozen(exits);
    }

    /** So many rows are wanted. */
    public int wanted() {
        return many ? most == 0 ? 10 : most : 1;
    }

    @Override
    public List<ExitSlot> slots() {
        return List.of(FOUND, NONE);
    }

    @Override
    public Map<String, ValueType> fills() {
        if (many) {
            return Map.of(list, ValueType.MULTI_CHOICE);
        }
        Map<String, ValueType> fills = new LinkedHashMap<>();
        takes.forEach(take -> fills.put(take.variable(), take.type()));
        return fills;
    }
}
