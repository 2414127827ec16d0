package com.shuttle.exchange;

import com.shuttle.exchange.Verdict.State;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Page;
import com.shuttle.web.Saved;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Knowledge brought in with a look over it before anything is saved, and saved as files. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/knowledge/{id}")
class ImportController {

    private final ImportService imports;
    private final KnowledgeService knowledge;

    ImportController(ImportService imports, KnowledgeService knowledge) {
        this.imports = imports;
        this.knowledge = knowledge;
    }

    @GetMapping("/import")
    String choose(@PathVariable String id, Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "exchange/choose";
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping("/import/file")
    String file(@PathVariable String id, @RequestParam MultipartFile file, RedirectAttributes flash)
            throws IOException {
        String name = file.getOriginalFilename() == null ? "" : file.getOriginalFilename();
        return review(id, imports.file(knowledge.collection(id).id(), name, file.getBytes()), "", flash);
    }

    @PostMapping("/import/page")
    String page(@PathVariable String id, @RequestParam String address, RedirectAttributes flash) {
        return review(id, imports.page(knowledge.collection(id).id(), address), address, flash);
    }

    private static String review(String id, Checked<String> read, String address, RedirectAttributes flash) {
        return switch (read) {
            case Checked.Good<String>(String waiting) -> "redirect:/knowledge/" + id + "/import/" + waiting;
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("address", address);
                yield "redirect:/knowledge/" + id + "/import";
            }
        };
    }

    /** @param show {@code all}, or a state */
    @GetMapping("/import/{waiting}")
    String look(
            @PathVariable String id,
            @PathVariable String waiting,
            @RequestParam(defaultValue = "") String show,
            @RequestParam(defaultValue = "1") int page,
            Model model) {
        Import one = imports.waiting(id, waiting);
        List<Verdict> verdicts = imports.verdicts(one);
        Map<String, Long> counts = new LinkedHashMap<>();
        for (State state : State.values()) {
            counts.put(
                    state.name(),
                    verdicts.stream()
                            .filter(verdict -> verdict.state() == state)
                            .count());
        }
        String shown = show.isEmpty() ? counts.getOrDefault("FAULTY", 0L) > 0 ? "FAULTY" : "ALL" : show;
        List<Verdict> chosen = verdicts.stream()
                .filter(verdict -> shown.equals("ALL") || verdict.state().name().equals(shown))
                .toList();
        int from = Math.min(Page.offset(page), chosen.size());
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("import", one);
        model.addAttribute(
                "verdicts",
                Page.of(chosen.subList(from, Math.min(from + Page.SIZE, chosen.size())), page, chosen.size()));
        model.addAttribute("states", State.values());
        model.addAttribute("counts", counts);
        model.addAttribute("total", verdicts.size());
        model.addAttribute("show", shown);
        return "exchange/look";
    }

    @PostMapping("/import/{waiting}/columns")
    String columns(
            @PathVariable String id,
            @PathVariable String waiting,
            @RequestParam int ref,
            @RequestParam int question,
            @RequestParam int more,
            @RequestParam int answer,
            @RequestParam int category) {
        imports.columns(id, waiting, ref, question, more, answer, category);
        return "redirect:/knowledge/" + id + "/import/" + waiting;
    }

    @PostMapping("/import/{waiting}/mend")
    String mend(
            @PathVariable String id,
            @PathVariable String waiting,
            @RequestParam int line,
            @RequestParam(defaultValue = "") String question,
            @RequestParam(defaultValue = "") String answer,
            @RequestParam(defaultValue = "") String category) {
        imports.mend(id, waiting, line, question, answer, category);
        return "redirect:/knowledge/" + id + "/import/" + waiting;
    }

    /** @param shown lines whose boxes stood on the page; @param keep those of them that were ticked */
    @PostMapping("/import/{waiting}")
    String take(
            @PathVariable String id,
            @PathVariable String waiting,
            @RequestParam(defaultValue = "") Set<Integer> shown,
            @RequestParam(defaultValue = "") Set<Integer> keep,
            @RequestParam String take,
            RedirectAttributes flash) {
        Set<Integer> leftOut =
                shown.stream().filter(line -> !keep.contains(line)).collect(Collectors.toSet());
        int saved = imports.take(id, waiting, leftOut, take.equals("all"));
        flash.addFlashAttribute("brought", saved);
        knowledge.read(id);
        return "redirect:/knowledge/" + id + (saved < KnowledgeService.MUCH ? "" : "/reading");
    }

    @PostMapping("/import/{waiting}/forget")
    String forget(@PathVariable String id, @PathVariable String waiting) {
        imports.forget(id, waiting);
        return "redirect:/knowledge/" + id;
    }

    @GetMapping("/entries.csv")
    ResponseEntity<StreamingResponseBody> csv(@PathVariable String id) {
        var content = knowledge.content(id);
        return saved(id, "csv", "text/csv", out -> Sheets.csv(content.entries(), out));
    }

    @GetMapping("/entries.xlsx")
    ResponseEntity<StreamingResponseBody> xlsx(@PathVariable String id) {
        var content = knowledge.content(id);
        return saved(
                id,
                "xlsx",
                "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
                out -> Sheets.xlsx(content.entries(), out));
    }

    @GetMapping("/articles.zip")
    ResponseEntity<StreamingResponseBody> zip(@PathVariable String id) {
        var content = knowledge.content(id);
        return saved(id, "zip", "application/zip", out -> MarkdownFiles.write(content.articles(), out));
    }

    private ResponseEntity<StreamingResponseBody> saved(
            String id, String ending, String type, StreamingResponseBody body) {
        return Saved.as(knowledge.collection(id).name() + "." + ending, type, body);
    }
}
