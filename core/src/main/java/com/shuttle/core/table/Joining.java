package com.shuttle.core.table;

import com.shuttle.core.table.Column.Kind;
import java.util.ArrayList;
import java.util.List;

/**
 * Puts the conditions of a question together. Conditions on one column that follow one another belong together: its figures
 * by what joins them, its values by <i>or</i>, except that a column of several values must have all that are joined by
 * <i>and</i>. Between columns, <i>and</i> binds tighter than <i>or</i>. Pure functions.
 */
final class Joining {

    /** @param or whether it is joined to the one before by "or" */
    record Atom(Column column, Condition condition, boolean negated, boolean or) {}

    private Joining() {}

    static Condition join(List<Atom> atoms) {
        List<Condition> alternatives = new ArrayList<>();
        List<Condition> together = new ArrayList<>();
        for (int i = 0; i < atoms.size(); ) {
            int end = i + 1;
            while (end < atoms.size() && belongs(atoms.get(end - 1), atoms.get(end))) {
                end++;
            }
            if (atoms.get(i).or() && !together.isEmpty()) {
                alternatives.add(all(together));
                together = new ArrayList<>();
            }
            together.add(run(atoms.subList(i, end)));
            i = end;
        }
        if (alternatives.isEmpty()) {
            return all(together);
        }
        alternatives.add(all(together));
        return new Condition.Any(alternatives);
    }

    private static boolean belongs(Atom before, Atom next) {
        return before.column().equals(next.column());
    }

    private static Condition run(List<Atom> atoms) {
        boolean negated = atoms.getFirst().negated();
        List<Condition> conditions = atoms.stream()
                .map(atom ->
                        atom.negated() || negated && atom.or() ? new Condition.Not(atom.condition()) : atom.condition())
                .toList();
        if (conditions.size() == 1) {
            return conditions.getFirst();
        }
        boolean or = atoms.stream().skip(1).anyMatch(Atom::or);
        boolean values = atoms.stream().allMatch(atom -> atom.condition() instanceof Condition.Has);
        boolean any = or || values && atoms.getFirst().column().kind() != Kind.LIST;
        return any && !negated ? new Condition.Any(conditions) : new Condition.All(conditions);
    }

    private static Condition all(List<Condition> conditions) {
        return conditions.size() == 1 ? conditions.getFirst() : new Condition.All(List.copyOf(conditions));
    }
}
