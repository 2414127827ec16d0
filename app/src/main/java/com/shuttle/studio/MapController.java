package com.shuttle.studio;

import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.bots.Draft;
import com.shuttle.core.flow.ExitSlot;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.core.script.MapLayout;
import com.shuttle.web.Access;
import com.shuttle.web.Json;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;

/** The map of a flow. Edits go the same way as those of the script. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/flows/{flow}/map")
class MapController {

    private final BotService bots;
    private final BotFrame frame;

    MapController(BotService bots, BotFrame frame) {
        this.bots = bots;
        this.frame = frame;
    }

    @GetMapping
    String map(@PathVariable String id, @PathVariable String flow, Model model) {
        frame.fill(id, "flows", model);
        Map<String, String> names = new LinkedHashMap<>();
        bots.drafts(id)
                .forEach(draft -> names.put(draft.flow().id(), draft.flow().name()));
        model.addAttribute("flows", names);
        model.addAttribute("draft", bots.draft(id, flow));
        model.addAttribute("kinds", Kinds.listed());
        return "studio/map";
    }

    /** @param exits those that lead nowhere too */
    record Shape(String step, String kind, String label, String name, List<Way> exits) {}

    /** @param target in its JSON form; empty for nowhere */
    record Way(String id, String label, String target, boolean usual) {}

    record Drawing(MapLayout layout, Map<String, Shape> shapes, boolean canUndo, boolean canRedo) {}

    @GetMapping(path = "/drawing", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> drawing(@PathVariable String id, @PathVariable String flow) {
        Draft draft = bots.draft(id, flow);
        Flow drawn = draft.flow();
        Map<String, Shape> shapes = new LinkedHashMap<>();
        for (Step step : drawn.allSteps()) {
            shapes.put(
                    step.id(),
                    new Shape(step.id(), step.kind().key(), step.kind().label(), step.name(), ways(step)));
        }
        return ResponseEntity.ok(
                Json.write(new Drawing(MapLayout.of(drawn), shapes, draft.canUndo(), draft.canRedo())));
    }

    private static List<Way> ways(Step step) {
        List<Way> ways = new ArrayList<>();
        for (ExitSlot slot : step.slots()) {
            Target target = step.exit(slot.id());
            ways.add(new Way(slot.id(), slot.label(), target == null ? "" : target.text(), slot.usual()));
        }
        return ways;
    }
}
