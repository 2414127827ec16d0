package com.shuttle.core.flow;

import java.util.List;

/** A named run of steps; the heading designers see. The title may be empty. */
public record Section(String id, String title, List<Step> steps) {
    public Section {
        title = title == null ? "" : title;
        steps = List.copyOf(steps);
    }

    public Section withSteps(List<Step> steps) {
        return new Section(id, title, steps);
    }
}
