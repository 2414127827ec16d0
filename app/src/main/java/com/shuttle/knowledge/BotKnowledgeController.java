package com.shuttle.knowledge;

import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A bot's page of knowledge: its collections, how sure it has to be, and its gaps. */
@Controller
@Access(Access.Who.DESIGNER)
class BotKnowledgeController {

    /** Questions that are asked to show what a setting does. */
    private static final int MOST_SAMPLES = 150;

    private final BotService bots;
    private final KnowledgeService knowledge;
    private final GapService gaps;
    private final BotFrame frame;

    BotKnowledgeController(BotService bots, KnowledgeService knowledge, GapService gaps, BotFrame frame) {
        this.bots = bots;
        this.knowledge = knowledge;
        this.gaps = gaps;
        this.frame = frame;
    }

    @GetMapping("/bots/{id}/knowledge")
    String knowledge(@PathVariable String id, @RequestParam(defaultValue = "1") int page, Model model) {
        frame.fill(id, "knowledge", model);
        model.addAttribute("collections", knowledge.collections());
        model.addAttribute("chosen", knowledge.collectionsOf(id));
        model.addAttribute("answering", knowledge.answering(id));
        model.addAttribute("titles", gaps.titles(id));
        model.addAttribute("gaps", gaps.list(id, page));
        model.addAttribute("sureness", knowledge.sureness(id));
        model.addAttribute("held", knowledge.samples(id, MOST_SAMPLES));
        model.addAttribute("asked", gaps.samples(id, MOST_SAMPLES));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "knowledge/bot";
    }

    @PostMapping("/bots/{id}/knowledge")
    String chooseCollections(
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> collections,
            @RequestParam(defaultValue = "") List<String> sources,
            @RequestParam(defaultValue = "false") boolean pleasantries,
            RedirectAttributes flash) {
        knowledge.setCollections(bots.bot(id).id(), collections);
        Set<Finding.Source> from = Stream.of(Finding.Source.values())
                .filter(source -> sources.contains(source.plural()))
                .collect(Collectors.toSet());
        knowledge.setAnswering(id, new Answering(pleasantries, from));
        flash.addFlashAttribute("chose", true);
        return "redirect:/bots/" + id + "/knowledge";
    }

    @PostMapping("/bots/{id}/sureness")
    String sureness(
            @PathVariable String id, @RequestParam int answer, @RequestParam int suggest, RedirectAttributes flash) {
        if (knowledge.setSureness(bots.bot(id).id(), answer, suggest) instanceof Checked.Bad<String> bad) {
            flash.addFlashAttribute("errors", bad.errors());
        } else {
            flash.addFlashAttribute("sure", true);
        }
        return "redirect:/bots/" + id + "/knowledge#sureness";
    }

    @PostMapping("/bots/{id}/gaps/{gap}/dismiss")
    String dismiss(@PathVariable String id, @PathVariable String gap) {
        gaps.dismiss(id, gap);
        return "redirect:/bots/" + id + "/knowledge#gaps";
    }

    @PostMapping("/bots/{id}/gaps/{gap}/phrasing")
    String teach(
            @PathVariable String id,
            @PathVariable String gap,
            @RequestParam(defaultValue = "") String entry,
            RedirectAttributes flash) {
        boolean taught = entry.isBlank() ? gaps.teachNearest(id, gap) : gaps.teach(id, gap, entry);
        if (taught) {
            flash.addFlashAttribute("again", gaps.askAgain(id));
        } else {
            flash.addFlashAttribute(
                    "errors", Map.of("entry", "There is no such entry, or it is full or has that already."));
        }
        return "redirect:/bots/" + id + "/knowledge#gaps";
    }

    @PostMapping("/bots/{id}/gaps/again")
    String askAgain(@PathVariable String id, RedirectAttributes flash) {
        flash.addFlashAttribute("again", gaps.askAgain(id));
        return "redirect:/bots/" + id + "/knowledge#gaps";
    }
}
