package com.shuttle.leads;

import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Segments: kept parts of all leads, with how many are in each now. */
@Controller
@Access(Access.Who.AGENT)
@RequestMapping("/leads/segments")
class SegmentsController {

    private final Segments segments;
    private final Aspects aspects;

    SegmentsController(Segments segments, Aspects aspects) {
        this.segments = segments;
        this.aspects = aspects;
    }

    /** A segment in the list. */
    record Line(Segment segment, String words, int many) {}

    @GetMapping
    String list(Model model) {
        model.addAttribute(
                "lines",
                segments.all().stream()
                        .map(one -> new Line(one, segments.words(one), segments.count(one)))
                        .toList());
        return "leads/segments";
    }

    @GetMapping("/{id}")
    String segment(@PathVariable String id, Model model) {
        Segment segment = id.equals("new") ? Segment.EVERYBODY : segments.segment(id);
        if (!model.containsAttribute("segment")) {
            model.addAttribute("segment", segment);
        }
        Object shown = model.getAttribute("segment");
        List<Segment.Term> terms = new ArrayList<>(shown instanceof Segment one ? one.terms() : List.of());
        if (terms.isEmpty()) {
            terms.add(new Segment.Term("state", Segment.How.IS, ""));
        }
        model.addAttribute("id", id);
        model.addAttribute("terms", terms);
        model.addAttribute("aspects", aspects.all());
        model.addAttribute("ways", Segment.How.values());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "leads/segment";
    }

    @PostMapping("/{id}")
    String keep(@PathVariable String id, @RequestParam Map<String, String> form, RedirectAttributes flash) {
        Segment wanted = Segments.of(id.equals("new") ? "" : id, form);
        switch (segments.keep(wanted)) {
            case Checked.Bad<Segment> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("segment", wanted);
                return "redirect:/leads/segments/" + id;
            }
            case Checked.Good<Segment>(Segment kept) -> {
                flash.addFlashAttribute("said", "“" + kept.name() + "” is kept.");
                return "redirect:/leads/segments";
            }
        }
    }

    /** How many would be in a segment as it is written. @param words the conditions as a sentence */
    record Counted(int many, String words) {}

    @ResponseBody
    @PostMapping("/count")
    Counted count(@RequestParam Map<String, String> form) {
        Segment wanted = Segments.of("", form);
        return new Counted(segments.count(wanted), segments.words(wanted));
    }

    @PostMapping("/{id}/delete")
    String delete(@PathVariable String id, RedirectAttributes flash) {
        Segment gone = segments.segment(id);
        segments.delete(id);
        flash.addFlashAttribute("said", "“" + gone.name() + "” is deleted. The leads in it are as they were.");
        return "redirect:/leads/segments";
    }
}
