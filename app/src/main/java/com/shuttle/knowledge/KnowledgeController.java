package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Checked;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Collections, their entries, and trying out a question. */
@Controller
@RequestMapping("/knowledge")
class KnowledgeController {

    /** Where the entry deleted last is kept, so that it can be put back. */
    private static final String DELETED = "deletedEntry";

    private final KnowledgeService knowledge;

    KnowledgeController(KnowledgeService knowledge) {
        this.knowledge = knowledge;
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

    @GetMapping("/{id}")
    String entries(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String category,
            @RequestParam(defaultValue = "title") String sort,
            @RequestParam(defaultValue = "1") int page,
            HttpSession session,
            Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("entries", knowledge.entries(id, q, category, sort, page));
        model.addAttribute("categories", knowledge.categories(id));
        model.addAttribute("q", q);
        model.addAttribute("category", category);
        model.addAttribute("sort", sort);
        boolean canRestore = session.getAttribute(DELETED) instanceof StoredEntry entry
                && entry.collection().equals(id);
        model.addAttribute("canRestore", canRestore);
        keepErrors(model);
        return "knowledge/entries";
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

    @GetMapping("/{id}/entries/new")
    String blank(@PathVariable String id, @RequestParam(defaultValue = "") String question, Model model) {
        return form(id, "", question, "", "", Map.of(), model);
    }

    @PostMapping("/{id}/entries")
    String add(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String phrasings,
            @RequestParam(defaultValue = "") String answers,
            @RequestParam(defaultValue = "") String category,
            @RequestParam(defaultValue = "") String then,
            Model model,
            RedirectAttributes flash) {
        if (knowledge.add(id, phrasings, answers, category) instanceof Checked.Bad<String> bad) {
            return form(id, "", phrasings, answers, category, bad.errors(), model);
        }
        flash.addFlashAttribute("saved", true);
        return then.equals("another") ? "redirect:/knowledge/" + id + "/entries/new" : "redirect:/knowledge/" + id;
    }

    @GetMapping("/{id}/entries/{entry}")
    String entry(@PathVariable String id, @PathVariable String entry, Model model) {
        StoredEntry stored = knowledge.entry(entry);
        return form(
                stored.collection(),
                entry,
                String.join("\n", stored.entry().phrasings()),
                String.join("\n---\n", stored.entry().answers()),
                stored.entry().category(),
                Map.of(),
                model);
    }

    @PostMapping("/{id}/entries/{entry}")
    String change(
            @PathVariable String id,
            @PathVariable String entry,
            @RequestParam(defaultValue = "") String phrasings,
            @RequestParam(defaultValue = "") String answers,
            @RequestParam(defaultValue = "") String category,
            Model model,
            RedirectAttributes flash) {
        if (knowledge.change(entry, phrasings, answers, category) instanceof Checked.Bad<String> bad) {
            return form(id, entry, phrasings, answers, category, bad.errors(), model);
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/knowledge/" + id;
    }

    @PostMapping("/{id}/entries/{entry}/delete")
    String deleteEntry(@PathVariable String id, @PathVariable String entry, HttpSession session) {
        session.setAttribute(DELETED, knowledge.deleteEntry(entry));
        return "redirect:/knowledge/" + id;
    }

    @PostMapping("/{id}/restore")
    String restore(@PathVariable String id, HttpSession session) {
        if (session.getAttribute(DELETED) instanceof StoredEntry entry) {
            knowledge.restore(entry);
            session.removeAttribute(DELETED);
        }
        return "redirect:/knowledge/" + id;
    }

    /** What a question finds in some collections, with the reasons. */
    @GetMapping("/try")
    String tryOut(
            @RequestParam(defaultValue = "") List<String> in,
            @RequestParam(defaultValue = "") String question,
            Model model) {
        String clean = Words.clean(question);
        if (clean.length() > Words.LONGEST_MESSAGE) {
            clean = clean.substring(0, Words.LONGEST_MESSAGE);
        }
        Finding finding = clean.isBlank() ? Finding.NOTHING : knowledge.ask(in, List.of(clean));
        model.addAttribute("question", clean);
        model.addAttribute("finding", finding);
        return "knowledge/try :: finding";
    }

    private String form(
            String id,
            String entry,
            String phrasings,
            String answers,
            String category,
            Map<String, String> errors,
            Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("entry", entry);
        model.addAttribute("phrasings", phrasings);
        model.addAttribute("answers", answers);
        model.addAttribute("category", category);
        model.addAttribute("categories", knowledge.categories(id));
        model.addAttribute("errors", errors);
        return "knowledge/entry";
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
    }
}
