package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import com.shuttle.core.flow.shape.When;
import java.util.List;

/**
 * One thing that an {@link Interview} finds out.
 *
 * @param variable where it goes; unique in its interview
 * @param label    what people call it, e.g. "number of pupils"; in the question made from it and in the read-back
 * @param ask      the question for it; empty for one made from the label
 * @param optional whether it is only taken when given, and asked once at most
 * @param group    facts of the same group are asked for together; empty for alone
 */
@JsonInclude(JsonInclude.Include.NON_DEFAULT)
public record Fact(
        @JsonInclude String variable,
        @JsonInclude String label,
        @JsonInclude ValueType type,
        String ask,
        boolean optional,
        String group,
        Limits limits,
        List<Check> checks,
        String retry,
        String example,
        List<Option> options)
        implements Wanted {

    /** The facts of an interview. */
    static final Items FACTS = new Items(
            "facts",
            "a fact",
            "",
            "a fact",
            "variable",
            "fact_",
            "",
            50,
            Forms.schema("{'label':'','type':'text'}"),
            List.of(
                    Field.of("label", Forms.LINE, "", "What it is called").inSight(),
                    Field.of("type", WantedShape.typeOtherThan(ValueType.FILE, ValueType.SECRET), "")
                            .inSight()
                            .reshaping()
                            .needed(),
                    Field.of("variable", Forms.VARIABLE, "in", "variable")
                            .inSight()
                            .reshaping()
                            .needed(),
                    Field.of("optional", Forms.FLAG, "may be left out"),
                    Field.of("ask", Forms.TEXT, "It asks", "a question made from its name"),
                    Field.of("group", Forms.LINE, "Asked together with others of the group", "alone"),
                    WantedShape.LIMITS,
                    Field.of("example", Forms.LINE, "Example", "none"),
                    Field.of("retry", Forms.TEXT, "When not understood, it says", "the usual words"),
                    Option.OPTIONS.when(When.is("type", "choice", "multi_choice")),
                    WantedShape.CHECKS),
            Items.Stands.FIRST);

    public Fact {
        label = Parts.text(label);
        ask = Parts.text(ask);
        group = Parts.text(group);
        limits = Limits.orNone(limits);
        checks = checks == null ? List.of() : List.copyOf(checks);
        retry = Parts.text(retry);
        example = Parts.text(example);
        options = options == null ? List.of() : List.copyOf(options);
    }

    @Override
    public List<String> asked() {
        return List.of(ask);
    }

    @Override
    public String called() {
        return label.isBlank() ? variable.replace('_', ' ') : label;
    }
}
