package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.shape.Forms;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Headings of a flow: begun, named, removed. Pure functions. */
final class Sections {

    private Sections() {}

    static Edited add(Flow flow, Step step) {
        Set<String> ids = new HashSet<>();
        flow.sections().forEach(section -> ids.add(section.id()));
        int n = 1;
        while (ids.contains("s" + n)) {
            n++;
        }
        List<Section> sections = new ArrayList<>();
        for (Section section : flow.sections()) {
            int at = FlowEditor.indexIn(section, step.id());
            if (at < 0) {
                sections.add(section);
            } else {
                sections.add(section.withSteps(section.steps().subList(0, at)));
                sections.add(new Section(
                        "s" + n, "", section.steps().subList(at, section.steps().size())));
            }
        }
        return FlowEditor.done(flow.withSections(sections), "began a section", step.id());
    }

    static Edited name(Flow flow, String id, String title) {
        Flow changed = FlowEditor.mapSections(
                flow,
                section -> section.id().equals(id) ? new Section(id, Forms.line(title), section.steps()) : section);
        return FlowEditor.done(changed, "named a section “" + Forms.line(title) + "”", "");
    }

    static Edited delete(Flow flow, String id) {
        List<Section> sections = new ArrayList<>();
        for (Section section : flow.sections()) {
            if (section.id().equals(id) && !sections.isEmpty()) {
                List<Step> joined = new ArrayList<>(sections.getLast().steps());
                joined.addAll(section.steps());
                sections.set(sections.size() - 1, sections.getLast().withSteps(joined));
            } else if (section.id().equals(id)) {
                sections.add(new Section(id, "", section.steps()));
            } else {
                sections.add(section);
            }
        }
        return FlowEditor.done(flow.withSections(sections), "removed a heading", "");
    }
}
