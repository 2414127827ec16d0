package com.shuttle.studio;

import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.bots.Draft;
import com.shuttle.bots.FlowEdits;
import com.shuttle.bots.NoteService;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.Prose;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What helps with writing a flow: pasting, finding and replacing, notes, reading, and seeing who else is there. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}")
class WritingController {

    private static final int MOST_FOUND = 300;

    private final BotService bots;
    private final FlowEdits edits;
    private final NoteService notes;
    private final Companions companions;
    private final BotFrame frame;
    private final FlowJson flowJson = new FlowJson();

    WritingController(BotService bots, FlowEdits edits, NoteService notes, Companions companions, BotFrame frame) {
        this.bots = bots;
        this.edits = edits;
        this.notes = notes;
        this.companions = companions;
        this.frame = frame;
    }

    // Copying

    /** Steps as text: a flow that holds just them. */
    @GetMapping("/flows/{flow}/steps")
    ResponseEntity<String> copy(@PathVariable String id, @PathVariable String flow, @RequestParam Set<String> of) {
        Flow whole = bots.draft(id, flow).flow();
        List<Step> steps =
                whole.allSteps().stream().filter(step -> of.contains(step.id())).toList();
        Flow piece = Flow.empty("steps", "Steps of " + whole.name());
        String name = Length.NAME.cut(piece.name());
        return ResponseEntity.ok(FlowJson.write(new Flow(
                piece.id(), name, List.of(), List.of(piece.sections().getFirst().withSteps(steps)))));
    }

    record PasteForm(@Nullable String after, String text) {
        PasteForm {
            text = text == null ? "" : text;
        }
    }

    @PostMapping("/flows/{flow}/paste")
    ResponseEntity<Map<String, String>> paste(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestBody PasteForm form,
            @RequestHeader(name = FlowController.PAGE, defaultValue = "") String page,
            @AuthenticationPrincipal SignedIn person) {
        if (!(flowJson.readPiece(form.text()) instanceof FlowJson.Result.Good(Flow piece))) {
            return refused("What was copied is no part of a flow.");
        }
        Set<String> flows =
                bots.drafts(id).stream().map(draft -> draft.flow().id()).collect(Collectors.toSet());
        List<Step> steps = piece.allSteps().stream()
                .map(step -> step.withExits(known(step.exits(), flows)))
                .toList();
        return switch (bots.edit(
                id, flow, new Edit.Paste(form.after(), steps), person.account().id())) {
            case Edited.Done done -> {
                companions.edited(id, flow, page);
                yield ResponseEntity.ok(Map.of("focus", done.focus(), "words", done.words()));
            }
            case Edited.Refused(String why) -> refused(why);
            case Edited.Clash clash -> refused(clash.theirs());
        };
    }

    private static Map<String, Target> known(Map<String, Target> exits, Set<String> flows) {
        Map<String, Target> known = new LinkedHashMap<>(exits);
        known.values().removeIf(target -> target instanceof Target.ToFlow(String to) && !flows.contains(to));
        return known;
    }

    private static ResponseEntity<Map<String, String>> refused(String why) {
        return ResponseEntity.unprocessableContent().body(Map.of("refused", why));
    }

    // Finding

    /** A place in one of the bot's flows. */
    record Place(String flow, String flowName, Prose.Found found) {}

    @GetMapping("/find")
    @ResponseBody
    List<Place> find(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String text,
            @RequestParam(defaultValue = "false") boolean matchCase) {
        List<Place> places = new ArrayList<>();
        for (Draft draft : bots.drafts(id)) {
            for (Prose.Found found : Prose.find(draft.flow(), text, matchCase)) {
                if (places.size() < MOST_FOUND) {
                    places.add(new Place(draft.flow().id(), draft.flow().name(), found));
                }
            }
        }
        return places;
    }

    record ReplaceForm(String find, String with, boolean matchCase) {
        ReplaceForm {
            find = find == null ? "" : find;
            with = with == null ? "" : with;
        }
    }

    /** Replaces a text in all flows of a bot, or in none; an edit in each that had it. */
    @PostMapping("/replace")
    ResponseEntity<Map<String, String>> replace(
            @PathVariable String id,
            @RequestBody ReplaceForm form,
            @RequestHeader(name = FlowController.PAGE, defaultValue = "") String page,
            @AuthenticationPrincipal SignedIn person) {
        int places = bots.drafts(id).stream()
                .mapToInt(draft ->
                        Prose.find(draft.flow(), form.find(), form.matchCase()).size())
                .sum();
        Edit edit = new Edit.Replace(form.find(), form.with(), form.matchCase());
        return switch (edits.everywhere(id, edit, person.account().id())) {
            case FlowEdits.Refused(String why) -> refused(why);
            case FlowEdits.Done(List<String> flows) -> {
                flows.forEach(flow -> companions.edited(id, flow, page));
                yield ResponseEntity.ok(Map.of(
                        "words",
                        "Replaced in " + places + (places == 1 ? " place of " : " places of ") + flows.size()
                                + (flows.size() == 1 ? " flow." : " flows.")));
            }
        };
    }

    // Notes

    @GetMapping("/flows/{flow}/notes")
    String notes(@PathVariable String id, @PathVariable String flow, Model model) {
        Flow draft = bots.draft(id, flow).flow();
        model.addAttribute("notes", notes.notes(id, flow));
        model.addAttribute(
                "names", draft.allSteps().stream().collect(Collectors.toMap(Step::id, Step::name, (a, b) -> a)));
        return "studio/notes :: notes";
    }

    record NoteForm(String step, String text) {
        NoteForm {
            step = step == null ? "" : step;
            text = text == null ? "" : text;
        }
    }

    @PostMapping("/flows/{flow}/notes")
    ResponseEntity<Map<String, String>> note(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestBody NoteForm form,
            @RequestHeader(name = FlowController.PAGE, defaultValue = "") String page,
            @AuthenticationPrincipal SignedIn person) {
        return switch (notes.add(
                id, flow, form.step(), form.text(), person.account().id())) {
            case Checked.Good<String>(String note) -> {
                companions.edited(id, flow, page);
                yield ResponseEntity.ok(Map.of("id", note));
            }
            case Checked.Bad<String> bad ->
                refused(String.join(" ", bad.errors().values()));
        };
    }

    record ResolveForm(boolean settled) {}

    @PostMapping("/flows/{flow}/notes/{note}")
    ResponseEntity<Map<String, String>> resolve(
            @PathVariable String id,
            @PathVariable String flow,
            @PathVariable String note,
            @RequestBody ResolveForm form,
            @RequestHeader(name = FlowController.PAGE, defaultValue = "") String page,
            @AuthenticationPrincipal SignedIn person) {
        notes.resolve(id, note, form.settled(), person.account().id());
        companions.edited(id, flow, page);
        return ResponseEntity.ok(Map.of());
    }

    // Reading

    /** All texts of a flow without the tools, to be read and printed. */
    @GetMapping("/flows/{flow}/reading")
    String reading(@PathVariable String id, @PathVariable String flow, Model model) {
        frame.fill(id, "flows", model);
        Map<String, String> names = new LinkedHashMap<>();
        bots.drafts(id)
                .forEach(draft -> names.put(draft.flow().id(), draft.flow().name()));
        model.addAttribute(
                "script", ScriptView.of(bots.draft(id, flow), new ScriptView.Around(names, Map.of(), false)));
        return "studio/reading";
    }

    // Others

    record HereForm(String page, String step, boolean leaving) {
        HereForm {
            page = page == null ? "" : page;
            step = step == null ? "" : step;
        }
    }

    @PostMapping("/flows/{flow}/here")
    @ResponseBody
    Companions.News here(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestBody HereForm form,
            @AuthenticationPrincipal SignedIn person) {
        bots.draft(id, flow);
        if (form.leaving()) {
            companions.left(id, flow, form.page());
        } else {
            companions.here(
                    id,
                    flow,
                    new Companions.Companion(form.page(), person.account().name(), form.step()));
        }
        return companions.news(id, flow);
    }

    @GetMapping(path = "/flows/{flow}/stream", produces = "text/event-stream")
    SseEmitter stream(@PathVariable String id, @PathVariable String flow) {
        bots.draft(id, flow);
        return companions.stream(id, flow);
    }
}
