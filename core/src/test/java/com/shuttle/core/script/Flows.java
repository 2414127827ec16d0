package com.shuttle.core.script;

import static com.shuttle.core.flow.FlowBuilder.flow;

import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;

/** Made-up flows of any size. */
public final class Flows {

    private Flows() {}

    /** A flow as people write them: questions one after the other, now and then a choice whose branches join again. */
    public static Flow written(int steps, int perSection) {
        FlowBuilder builder = flow("f");
        int at = 0;
        while (at < steps) {
            boolean choice = at % 7 == 3 && at + 4 < steps;
            String next = at + 1 < steps ? "n" + (at + 1) : "end";
            if (choice) {
                builder.choice(
                        "n" + at,
                        "Which of these is it, number " + at + "?",
                        "First",
                        "n" + (at + 1),
                        "Second",
                        "n" + (at + 2),
                        "Third, and start over",
                        "n" + Math.max(0, at - 3));
                builder.message("n" + (at + 1), "You said the first of them", "n" + (at + 3));
                builder.message("n" + (at + 2), "You said the second", "n" + (at + 3));
                at += 3;
            } else {
                builder.message("n" + at, "Here is what step " + at + " has to say about the matter", next);
                at++;
            }
        }
        return inSections(builder.build(), perSection);
    }

    /** A flow of choices with many options that lead anywhere. */
    static Flow dense(int steps, int options, Random random) {
        FlowBuilder builder = flow("f");
        for (int i = 0; i < steps; i++) {
            String[] ways = new String[2 * options];
            for (int o = 0; o < options; o++) {
                ways[2 * o] = "option " + o;
                ways[2 * o + 1] = "n" + random.nextInt(steps);
            }
            builder.choice("n" + i, "?", ways);
        }
        return builder.build();
    }

    /** A flow of up to 25 steps whose exits lead anywhere. */
    static Flow random(Random random) {
        int size = 1 + random.nextInt(25);
        FlowBuilder builder = flow("f");
        for (int i = 0; i < size; i++) {
            if (random.nextInt(3) > 0) {
                builder.message(
                        "n" + i,
                        "x",
                        i + 1 < size && random.nextBoolean() ? "n" + (i + 1) : "n" + random.nextInt(size));
            } else {
                List<String> options = new ArrayList<>();
                for (int o = 0; o <= random.nextInt(4); o++) {
                    options.add("option " + o);
                    options.add(random.nextInt(6) == 0 ? "end" : "n" + random.nextInt(size));
                }
                builder.choice("n" + i, "?", options.toArray(String[]::new));
            }
        }
        return builder.build();
    }

    static Flow inSections(Flow flow, int size) {
        List<Step> steps = flow.allSteps();
        List<Section> sections = new ArrayList<>();
        for (int from = 0; from < steps.size(); from += size) {
            sections.add(new Section(
                    "s" + sections.size(),
                    "Part " + sections.size(),
                    steps.subList(from, Math.min(from + size, steps.size()))));
        }
        return flow.withSections(sections);
    }
}
