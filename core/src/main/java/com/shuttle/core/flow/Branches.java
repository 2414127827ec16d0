package com.shuttle.core.flow;

import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.flow.shape.Property.Field;
import com.shuttle.core.flow.shape.Property.Items;
import java.util.List;

/** The parts of steps that part the way. */
public final class Branches {

    private Branches() {}

    /**
     * One rule of a Branch.
     *
     * @param id   unique within its step
     * @param name what designers call it; may be empty
     * @param when a condition; empty never holds
     */
    public record Rule(String id, String name, String when) {

        static final Items RULES = new Items(
                "rules",
                "a rule",
                "",
                "a rule",
                "id",
                "r",
                "rule:",
                100,
                Forms.schema("{}"),
                List.of(
                        Field.of("when", Forms.CONDITION, "if", "guests more than 20")
                                .inSight(),
                        Field.of("name", Forms.LINE, "Name", "the rule itself")),
                Items.Stands.FIRST);

        public Rule {
            name = Parts.text(name);
            when = Parts.text(when);
        }

        public String exit() {
            return "rule:" + id;
        }

        /** The name, or the condition where it has none. */
        public String label() {
            return !name.isBlank() ? name : when.isBlank() ? "a rule" : when;
        }
    }

    /**
     * One arm of an Experiment.
     *
     * @param weight share of the visitors relative to the other arms, 0 to 1000
     */
    public record Arm(String id, String name, int weight) {

        static final Items ARMS = new Items(
                "arms",
                "an arm",
                "",
                "an arm",
                "id",
                "a",
                "arm:",
                100,
                Forms.schema("{'name':'','weight':50}"),
                List.of(
                        Field.of("name", Forms.LINE, "arm", "its name").inSight(),
                        Field.of(
                                        "weight",
                                        Forms.count(0, 1000, "A weight is a number from 0 to 1,000."),
                                        "weight",
                                        "50")
                                .inSight()
                                .needed()),
                Items.Stands.FIRST);

        public Arm {
            name = Parts.text(name);
        }

        public String exit() {
            return "arm:" + id;
        }

        public String label() {
            return name.isBlank() ? "arm " + id : name;
        }
    }

    /**
     * A variable and the expression that gives its value.
     *
     * @param id unique within its step
     */
    public record Assignment(String id, String variable, String value) {

        static final Items SETS = new Items(
                "sets",
                "a computed value",
                "",
                "a value",
                "id",
                "c",
                "",
                100,
                Forms.schema("{}"),
                List.of(
                        Field.of("variable", Forms.VARIABLE, "set", "variable").inSight(),
                        Field.of("value", Forms.EXPRESSION, "to", "guests * 4").inSight()),
                Items.Stands.FIRST);

        public Assignment {
            variable = Parts.text(variable);
            value = Parts.text(value);
        }
    }
}
