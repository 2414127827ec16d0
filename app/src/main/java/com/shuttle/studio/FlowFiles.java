package com.shuttle.studio;

import com.shuttle.bots.BotService;
import com.shuttle.core.flow.Fault;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Names;
import com.shuttle.core.flow.shape.Form;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Flows out of files: beside those there are, or in place of one that the designer has chosen. Thread-safe. */
@Component
class FlowFiles {

    private static final int MOST_FAULTS = 20;

    private final BotService bots;
    private final References references;
    private final OwnMedia media;
    private final FlowJson flowJson = new FlowJson();

    FlowFiles(BotService bots, References references, OwnMedia media) {
        this.bots = bots;
        this.references = references;
        this.media = media;
    }

    /**
     * What came of a file.
     *
     * @param flow   id of the flow to go to
     * @param words  what has happened, for the designer; empty where nothing has
     * @param faults why nothing has; empty where something has
     */
    record Loaded(String flow, String words, List<Fault> faults) {}

    /** @param here the flow it is to stand in place of, which can be undone; the file's own id counts for nothing then */
    Loaded load(String bot, String current, String json, boolean here, @Nullable String account) {
        FlowJson.Result read = flowJson.read(json);
        if (read instanceof FlowJson.Result.Good(Flow flow)) {
            Map<String, List<Form.Value>> there = references.all();
            read = Names.resolved(flow, what -> there.getOrDefault(what, List.of()));
        }
        return switch (read) {
            case FlowJson.Result.Bad(List<Fault> faults) ->
                new Loaded(current, "", faults.stream().limit(MOST_FAULTS).toList());
            case FlowJson.Result.Good(Flow flow) -> taken(bot, current, flow, here, account);
        };
    }

    private Loaded taken(String bot, String current, Flow flow, boolean here, @Nullable String account) {
        List<String> left = new ArrayList<>();
        Flow own = media.kept(bot, flow, left);
        String pictures = left.isEmpty()
                ? ""
                : " These pictures could not be fetched and will not show: " + String.join(", ", left) + ".";
        if (here) {
            bots.putFlow(bot, own.as(current), "loaded a file", account);
            String words = "This flow is now what the file says. Undo brings back what it was.";
            return new Loaded(current, words + pictures, List.of());
        }
        Flow added = bots.addFlow(bot, own, "loaded a file", account);
        return new Loaded(added.id(), "“" + added.name() + "” is a flow of its own now." + pictures, List.of());
    }
}
