package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Health;
import com.shuttle.core.reading.Words;
import com.shuttle.knowledge.KnowledgeService.Reading;
import com.shuttle.tables.TableService;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Collections, their synonyms, and trying out a question. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/knowledge")
class KnowledgeController {

    private final KnowledgeService knowledge;
    private final CollectionTables chosen;
    private final TableService tables;

    KnowledgeController(KnowledgeService knowledge, CollectionTables chosen, TableService tables) {
        this.knowledge = knowledge;
        this.chosen = chosen;
        this.tables = tables;
    }

    @GetMapping
    String collections(Model model) {
        model.addAttribute("collections", knowledge.collections());
        keepErrors(model);
        return "knowledge/collections";
    }

    @PostMapping
    String create(@RequestParam String name, RedirectAttributes flash) {
        return switch (knowledge.create(name)) {
            case Checked.Good<String>(String id) -> "redirect:/knowledge/" + id;
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                yield "redirect:/knowledge";
            }
        };
    }

    @PostMapping("/{id}/rename")
    String rename(@PathVariable String id, @RequestParam String name, RedirectAttributes flash) {
        if (knowledge.rename(id, name) instanceof Checked.Bad<String> bad) {
            flash.addFlashAttribute("errors", bad.errors());
        }
        return "redirect:/knowledge/" + id;
    }

    /** Asked for by name, since it cannot be undone. */
    @PostMapping("/{id}/delete")
    String delete(@PathVariable String id, @RequestParam(defaultValue = "") String confirm, RedirectAttributes flash) {
        if (!knowledge.collection(id).name().equals(confirm.strip())) {
            flash.addFlashAttribute("errors", Map.of("confirm", "To delete the collection, type its name exactly."));
            return "redirect:/knowledge/" + id;
        }
        knowledge.delete(id);
        return "redirect:/knowledge";
    }

    @PostMapping("/{id}/pleasantries")
    String pleasantries(@PathVariable String id, RedirectAttributes flash) {
        flash.addFlashAttribute("brought", knowledge.addPleasantries(id));
        return "redirect:/knowledge/" + id;
    }

    @GetMapping("/{id}/synonyms")
    String synonyms(@PathVariable String id, Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        if (!model.containsAttribute("synonyms")) {
            model.addAttribute(
                    "synonyms",
                    knowledge.content(id).synonyms().stream()
                            .map(group -> String.join(", ", group))
                            .collect(Collectors.joining("\n")));
        }
        keepErrors(model);
        return "knowledge/synonyms";
    }

    @PostMapping("/{id}/synonyms")
    String setSynonyms(
            @PathVariable String id, @RequestParam(defaultValue = "") String synonyms, RedirectAttributes flash) {
        if (knowledge.setSynonyms(id, synonyms) instanceof Checked.Bad<String> bad) {
            flash.addFlashAttribute("errors", bad.errors());
            flash.addFlashAttribute("synonyms", synonyms);
        } else {
            flash.addFlashAttribute("saved", true);
        }
        return "redirect:/knowledge/" + id + "/synonyms";
    }

    /** From which tables a collection answers. */
    @GetMapping("/{id}/tables")
    String tables(@PathVariable String id, Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("tables", tables.all());
        model.addAttribute("chosen", chosen.chosen(id));
        return "knowledge/tables";
    }

    @PostMapping("/{id}/tables")
    String choose(
            @PathVariable String id, @RequestParam(defaultValue = "") List<String> table, RedirectAttributes flash) {
        chosen.choose(knowledge.collection(id).id(), table);
        flash.addFlashAttribute("saved", true);
        return "redirect:/knowledge/" + id + "/tables";
    }

    /** How far the reading of new texts has come. */
    @GetMapping("/{id}/reading")
    String reading(@PathVariable String id, Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        return "knowledge/reading";
    }

    /** @return nothing once all is read */
    @GetMapping("/{id}/reading/state")
    ResponseEntity<Reading> readingState(@PathVariable String id) {
        return knowledge
                .reading(knowledge.collection(id).id())
                .map(ResponseEntity::ok)
                .orElseGet(() -> ResponseEntity.noContent().build());
    }

    /** Before and after: the number of the visit before is kept for the person who looks. */
    @GetMapping("/{id}/health")
    String health(@PathVariable String id, HttpSession session, Model model) {
        KnowledgeCollection collection = knowledge.collection(id);
        if (collection.reading() != null) {
            return "redirect:/knowledge/" + id + "/reading";
        }
        model.addAttribute("collection", collection);
        Health health = knowledge.health(id);
        model.addAttribute("health", health);
        model.addAttribute("before", session.getAttribute("health " + id));
        session.setAttribute("health " + id, health.score());
        return "knowledge/health";
    }

    /** What a question finds in some collections, with the reasons: a piece of a page, or a whole one where no script asks. */
    @GetMapping("/try")
    String tryOut(
            @RequestParam(defaultValue = "") List<String> in,
            @RequestParam(defaultValue = "") String question,
            @RequestHeader(name = "Sec-Fetch-Dest", defaultValue = "empty") String into,
            Model model) {
        String clean = Words.clean(question);
        if (clean.length() > Words.LONGEST_MESSAGE) {
            clean = clean.substring(0, Words.LONGEST_MESSAGE);
        }
        boolean reading = in.stream().anyMatch(id -> knowledge.muchToRead(id).isPresent());
        Finding finding = clean.isBlank() || reading ? Finding.NOTHING : knowledge.ask(in, List.of(clean));
        model.addAttribute("reading", reading);
        // What is learnt goes into a collection; where several are asked it is not told which.
        model.addAttribute("one", in.size() == 1 ? in.getFirst() : null);
        model.addAttribute("question", clean);
        model.addAttribute("finding", finding);
        model.addAttribute("in", in);
        return into.equals("document") ? "knowledge/tried" : "knowledge/try :: finding";
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
    }
}
