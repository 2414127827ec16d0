package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Deed.SaveRow.Write;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.WrittenCell;
import com.shuttle.core.flow.SaveRow;
import com.shuttle.core.flow.SaveRow.Cell;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;

/** Saves a row where that can be done, and otherwise says why in the working. */
final class SaveRowPlayer extends Player {

    private final SaveRow step;

    SaveRowPlayer(SaveRow step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        List<Write> writes = new ArrayList<>();
        for (Cell cell : step.cells()) {
            String value = cell.column().isEmpty() ? "" : WrittenCell.of(cell.value(), run);
            if (!value.isEmpty()) {
                writes.add(new Write(cell.column(), cell.how(), value));
            }
        }
        String why = run.saves.save(new Deed.SaveRow(step.table(), step.key(), writes));
        run.trace(
                why.isEmpty() ? "saved a row" : "cannot save a row",
                why.isEmpty() ? writes.stream().map(Write::value).collect(Collectors.joining(", ")) : why);
        course.leave(step, why.isEmpty() ? SaveRow.SAVED : SaveRow.FAILED);
    }
}
