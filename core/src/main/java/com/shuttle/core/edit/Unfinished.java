package com.shuttle.core.edit;

import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.Step;
import java.util.ArrayList;
import java.util.List;

/** What a designer has not finished: blanks of a template that still stand in texts, and ways on that lead nowhere. Pure functions. */
public final class Unfinished {

    /** What encloses a blank to fill in. */
    public static final String BLANK = "‹";

    private static final String BLANK_ENDS = "›";

    private Unfinished() {}

    /**
     * One such place.
     *
     * @param flow id of the flow, {@code step} of the step, {@code name} what the step is called
     * @param what is wanted ("your opening hours"), or the exit that leads nowhere
     */
    public record Place(String flow, String step, String name, String what) {}

    /** Blanks in the texts of a flow, in the order of its steps. */
    public static List<Place> blanks(Flow flow) {
        return Prose.find(flow, BLANK, true).stream()
                .map(found -> new Place(flow.id(), found.step(), found.name(), wanted(found.after())))
                .toList();
    }

    private static String wanted(String after) {
        int end = after.indexOf(BLANK_ENDS);
        return end < 0 ? after : after.substring(0, end);
    }

    /** Exits of a flow that a finished one would lead somewhere; those of its very last step are how a flow may end. */
    public static List<Place> openEnds(Flow flow) {
        List<Place> open = new ArrayList<>();
        List<Step> steps = flow.allSteps();
        for (int i = 0; i < steps.size(); i++) {
            Step step = steps.get(i);
            boolean last = i == steps.size() - 1;
            for (ExitSlot slot : step.slots()) {
                boolean mayEnd = last && slot.role() == ExitSlot.Role.ON;
                if (slot.usual() && step.exit(slot.id()) == null && !mayEnd) {
                    open.add(new Place(flow.id(), step.id(), step.name(), slot.label()));
                }
            }
        }
        return open;
    }

    /** All blanks of a release. */
    public static List<Place> blanks(Release release) {
        return release.flows().stream().flatMap(flow -> blanks(flow).stream()).toList();
    }

    /** All open ends of a release. */
    public static List<Place> openEnds(Release release) {
        return release.flows().stream().flatMap(flow -> openEnds(flow).stream()).toList();
    }
}
