package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.bots.BotTemplates;
import com.shuttle.bots.Draft;
import com.shuttle.bots.Note;
import com.shuttle.bots.NoteService;
import com.shuttle.channels.Channels;
import com.shuttle.core.acts.Act;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.MostBytes;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
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
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The script of a flow: looking at it, and every edit to it. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/flows")
class FlowController {

    /** Header with which a page tells by what name it goes among those open. */
    static final String PAGE = "X-Page";

    private final BotService bots;
    private final References references;
    private final Channels channels;
    private final BotFrame frame;
    private final Companions companions;
    private final NoteService notes;
    private final BotTemplates templates;
    private final CallFilling filling;
    private final CardFilling cards;
    private final FlowFiles files;
    private final OwnMedia media;
    private final PlainConditions conditions;

    FlowController(
            BotService bots,
            References references,
            Channels channels,
            BotFrame frame,
            Companions companions,
            NoteService notes,
            BotTemplates templates,
            CallFilling filling,
            CardFilling cards,
            FlowFiles files,
            OwnMedia media,
            PlainConditions conditions) {
        this.bots = bots;
        this.references = references;
        this.channels = channels;
        this.frame = frame;
        this.companions = companions;
        this.notes = notes;
        this.templates = templates;
        this.filling = filling;
        this.cards = cards;
        this.files = files;
        this.media = media;
        this.conditions = conditions;
    }

    @GetMapping("/{flow}")
    String script(@PathVariable String id, @PathVariable String flow, Model model) {
        frame.fill(id, "flows", model);
        fillScript(id, flow, model);
        return "studio/script";
    }

    /** The rows alone, after an edit that changed more than the text of one field. @param open the step whose row is open */
    @GetMapping("/{flow}/rows")
    String rows(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestParam(defaultValue = "") String open,
            Model model) {
        model.addAttribute("bot", bots.bot(id));
        model.addAttribute("open", open);
        fillScript(id, flow, model);
        return "studio/rows :: rows";
    }

    /** One row with all its controls; nothing where the step is gone. */
    @GetMapping("/{flow}/rows/{step}")
    String row(@PathVariable String id, @PathVariable String flow, @PathVariable String step, Model model) {
        fillScript(id, flow, model);
        ScriptView script = (ScriptView) Objects.requireNonNull(model.getAttribute("script"));
        model.addAttribute("row", script.row(step).orElseThrow(() -> new Missing("step", step)));
        model.addAttribute("whole", true);
        return "studio/row/row :: row(row=${row})";
    }

    /**
     * What came of an edit.
     *
     * @param refused why it was not made; empty unless it was refused
     * @param theirs  the text that somebody else wrote meanwhile; null unless the edit clashed with it
     * @param stored  the text as it is kept now, for an edit that set one
     */
    record EditReply(
            String refused,
            @Nullable String theirs,
            @Nullable String stored,
            String words,
            String focus,
            boolean canUndo,
            boolean canRedo) {}

    @PostMapping("/{flow}/edits")
    ResponseEntity<EditReply> edit(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestBody EditForm form,
            @RequestHeader(name = PAGE, defaultValue = "") String page,
            @AuthenticationPrincipal SignedIn person) {
        Edit edit;
        try {
            edit = form.toEdit();
        } catch (EditForm.Incomplete incomplete) {
            return ResponseEntity.badRequest()
                    .body(new EditReply(String.valueOf(incomplete.getMessage()), null, null, "", "", false, false));
        }
        Flow before = bots.draft(id, flow).flow();
        edit = conditions.written(id, before, cards.filled(before, filling.filled(before, edit)));
        switch (media.kept(bots.bot(id).id(), before, edit)) {
            case Checked.Good<Edit>(Edit fetched) -> edit = fetched;
            case Checked.Bad<Edit> bad -> {
                Draft draft = bots.draft(id, flow);
                return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                        .body(new EditReply(
                                String.join(" ", bad.errors().values()),
                                null,
                                null,
                                "",
                                "",
                                draft.canUndo(),
                                draft.canRedo()));
            }
        }
        Edited edited = bots.edit(id, flow, edit, person.account().id());
        Draft draft = bots.draft(id, flow);
        boolean undo = draft.canUndo();
        boolean redo = draft.canRedo();
        return switch (edited) {
            case Edited.Done done -> {
                companions.edited(id, flow, page);
                yield ResponseEntity.ok(new EditReply(
                        "", null, FlowEditor.stored(done.flow(), edit), done.words(), done.focus(), undo, redo));
            }
            case Edited.Refused refused ->
                ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT)
                        .body(new EditReply(refused.why(), null, null, "", "", undo, redo));
            case Edited.Clash clash ->
                ResponseEntity.status(HttpStatus.CONFLICT)
                        .body(new EditReply("", clash.theirs(), null, "", "", undo, redo));
        };
    }

    @PostMapping("/{flow}/undo")
    ResponseEntity<EditReply> undo(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestHeader(name = PAGE, defaultValue = "") String page) {
        String undone = bots.draft(id, flow).words();
        return stepped(id, flow, page, bots.step(id, flow, true), "Undone: " + undone);
    }

    @PostMapping("/{flow}/redo")
    ResponseEntity<EditReply> redo(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestHeader(name = PAGE, defaultValue = "") String page) {
        Draft draft = bots.step(id, flow, false);
        return stepped(id, flow, page, draft, "Done again: " + draft.words());
    }

    private ResponseEntity<EditReply> stepped(String id, String flow, String page, Draft draft, String words) {
        companions.edited(id, flow, page);
        return ResponseEntity.ok(new EditReply("", null, null, words, "", draft.canUndo(), draft.canRedo()));
    }

    @PostMapping
    String addFlow(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String from,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        return switch (bots.addFlow(id, name, person.account().id())) {
            case Checked.Good<Flow>(Flow flow) -> to(id, flow.id());
            case Checked.Bad<Flow> bad -> {
                flash.addFlashAttribute("problem", String.join(" ", bad.errors().values()));
                yield to(id, bots.draft(id, from).flow().id());
            }
        };
    }

    @PostMapping("/{flow}/describe")
    String describe(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestParam String name,
            @RequestParam(defaultValue = "") String phrases,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        if (bots.describeFlow(id, flow, name, phrases, person.account().id()) instanceof Checked.Bad<Flow> bad) {
            flash.addFlashAttribute("problem", String.join(" ", bad.errors().values()));
        }
        return to(id, flow);
    }

    @PostMapping("/{flow}/delete")
    String delete(@PathVariable String id, @PathVariable String flow, RedirectAttributes flash) {
        if (!bots.deleteFlow(id, flow)) {
            flash.addFlashAttribute("problem", "The main flow cannot be deleted.");
            return to(id, flow);
        }
        flash.addFlashAttribute("goneFlow", flow);
        return to(id, bots.bot(id).mainFlow());
    }

    @PostMapping("/{flow}/restore")
    String restore(@PathVariable String id, @PathVariable String flow) {
        bots.restoreFlow(bots.bot(id).id(), flow);
        return to(id, flow);
    }

    @GetMapping("/{flow}/file")
    ResponseEntity<String> file(@PathVariable String id, @PathVariable String flow) {
        Bot bot = bots.bot(id);
        String name = bot.slug() + "-" + flow + ".json";
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(FlowJson.write(bots.draft(id, flow).flow()));
    }

    /** Adds a flow from a file, or puts it in place of the one in sight; that can be undone like any edit. */
    @MostBytes(MostBytes.FILE)
    @PostMapping("/{flow}/file")
    String load(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "new") String as,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash)
            throws IOException {
        FlowFiles.Loaded loaded = files.load(
                bots.bot(id).id(),
                bots.draft(id, flow).flow().id(),
                new String(file.getBytes(), StandardCharsets.UTF_8),
                as.equals("here"),
                person.account().id());
        if (loaded.faults().isEmpty()) {
            flash.addFlashAttribute("done", loaded.words());
        } else {
            flash.addFlashAttribute("problem", "The file was not taken. Nothing has changed.");
            flash.addFlashAttribute("faults", loaded.faults());
        }
        return to(id, loaded.flow());
    }

    private void fillScript(String id, String flow, Model model) {
        List<Draft> drafts = bots.drafts(id);
        Map<String, String> names = new LinkedHashMap<>();
        drafts.forEach(draft -> names.put(draft.flow().id(), draft.flow().name()));
        model.addAttribute("flows", names);
        model.addAttribute(
                "flowList", FlowRow.of(drafts.stream().map(Draft::flow).toList()));
        Map<String, Long> noted = notes.notes(id, flow).stream()
                .filter(Note::open)
                .collect(Collectors.groupingBy(Note::step, Collectors.counting()));
        model.addAttribute("noted", noted);
        model.addAttribute(
                "script",
                ScriptView.of(
                        bots.draft(id, flow),
                        new ScriptView.Around(
                                names, references.all(), !channels.of(id).isEmpty())));
        model.addAttribute("kinds", Kinds.listed());
        model.addAttribute("acts", Act.values());
        model.addAttribute("blanks", templates.blanks(id));
        Map<String, ValueType> variables = new TreeMap<>(new Playbook(bots.draftRelease(bots.bot(id))).variables());
        variables.putAll(Expressions.SYSTEM);
        model.addAttribute("variables", variables);
    }

    private static String to(String bot, String flow) {
        return "redirect:/bots/" + bot + "/flows/" + flow;
    }
}
