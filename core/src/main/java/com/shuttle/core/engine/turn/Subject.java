package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Place;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.knowledge.Inquiry;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What a conversation is about where it stands: the matter of the flow, the section, and what is being asked. A menu is about
 * nothing yet, since where it leads is what is asked.
 */
public final class Subject {

    private Subject() {}

    /** A question that is put where the conversation stands. @param turns as {@link Inquiry#turns} */
    public static Inquiry inquiry(TurnRun run, List<String> turns) {
        return new Inquiry(turns, of(run), run.asked.ofTheMatter());
    }

    private static String of(TurnRun run) {
        Place at = run.at();
        Step step = run.playbook.step(at);
        Awaiting awaiting = run.awaiting();
        if (at == null || step == null || awaiting == null || !takesDown(step, awaiting.beneath())) {
            return "";
        }
        return Stream.of(matter(run, at), section(run, at), asked(run, step))
                .map(String::strip)
                .filter(words -> !words.isEmpty())
                .distinct()
                .collect(Collectors.joining(". "));
    }

    /** Whether the bot is about to take something down, which is its business here. */
    private static boolean takesDown(Step step, Awaiting pending) {
        return switch (pending) {
            case Awaiting.OpenQuestion ignored -> false;
            case Awaiting.Next ignored -> false;
            default -> !(step instanceof Choice choice) || !choice.variable().isBlank();
        };
    }

    /** What the bot is for in its main flow, and what the flow is for elsewhere. */
    private static String matter(TurnRun run, Place at) {
        return at.flow().equals(run.playbook.release().mainFlow())
                ? run.playbook.release().profile().name()
                : run.playbook.nameOf(at.flow());
    }

    private static String section(TurnRun run, Place at) {
        Flow flow = run.playbook.flow(at.flow());
        return flow == null
                ? ""
                : flow.sections().stream()
                        .filter(section -> section.steps().stream()
                                .anyMatch(step -> step.id().equals(at.step())))
                        .map(Section::title)
                        .findFirst()
                        .orElse("");
    }

    private static String asked(TurnRun run, Step step) {
        return step.wordings().isEmpty() ? "" : run.filled(step.wordings().getFirst());
    }
}
