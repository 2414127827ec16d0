package com.shuttle.marks;

import com.shuttle.bots.BotFrame;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Mark;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Json;
import com.shuttle.web.Listing;
import com.shuttle.web.Wanted;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The marks of a bot: looked through, taken away, put back, saved as a file. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/marks")
class MarksController {

    private final MarkService marks;
    private final BotFrame frame;

    MarksController(MarkService marks, BotFrame frame) {
        this.marks = marks;
        this.frame = frame;
    }

    @GetMapping
    String show(@PathVariable String id, @RequestParam Map<String, String> parameters, Model model) {
        frame.fill(id, "manners", model);
        Wanted wanted = Wanted.of(parameters);
        List<Listing.Option> kinds = Listing.Option.of(Arrays.asList(Kind.values()), Kind::key, Kind::label);
        model.addAttribute(
                "listing",
                Listing.of("/bots/" + id + "/marks", wanted, marks.page(id, wanted))
                        .searched("Words or question")
                        .filter("kind", "What it does", "Whatever it does", kinds)
                        .columns(
                                Listing.Column.sorted("Said", "clause"),
                                Listing.Column.plain("In answer to"),
                                Listing.Column.plain("Does"),
                                Listing.Column.sorted("Marked", "at"),
                                Listing.Column.plain("")));
        return "marks/marks";
    }

    @PostMapping("/{mark}/delete")
    String takeAway(@PathVariable String id, @PathVariable String mark, RedirectAttributes flash) {
        String bot = frame.bot(id).id();
        marks.takeAway(bot, mark).ifPresent(gone -> flash.addFlashAttribute("gone", gone));
        return "redirect:/bots/" + bot + "/marks";
    }

    /** Puts back what was taken away. */
    @PostMapping
    String put(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String clause,
            @RequestParam(defaultValue = "") String waits,
            @RequestParam(defaultValue = "") String question,
            @RequestParam(defaultValue = "") String kind,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        String bot = frame.bot(id).id();
        MarkService.kind(kind)
                .filter(read -> waits.matches("[a-z_]{1,40}"))
                .map(read -> marks.put(
                        bot,
                        new Mark(clause, waits, question, read),
                        person.account().id()))
                .ifPresent(put -> {
                    if (put instanceof Checked.Bad<Mark>(Map<String, String> errors)) {
                        flash.addFlashAttribute("problem", errors.get("clause"));
                    }
                });
        return "redirect:/bots/" + bot + "/marks";
    }

    /** A line of JSON for each, to learn from elsewhere. */
    @GetMapping(".jsonl")
    ResponseEntity<String> file(@PathVariable String id) {
        String lines = marks.of(frame.bot(id).id()).stream()
                .map(MarksController::line)
                .collect(Collectors.joining("\n", "", "\n"));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_NDJSON)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("marks.jsonl")
                                .build()
                                .toString())
                .body(lines);
    }

    private static String line(Mark mark) {
        Map<String, String> line = new LinkedHashMap<>();
        line.put("clause", mark.clause());
        line.put("waits", mark.waits());
        line.put("question", mark.question());
        line.put("act", mark.kind().act().name().toLowerCase(Locale.ROOT));
        line.put("kind", mark.kind().key());
        return Json.write(line);
    }
}
