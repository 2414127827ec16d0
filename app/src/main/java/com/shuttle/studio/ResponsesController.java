package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Access;
import java.util.ArrayList;
import java.util.LinkedHashMap;
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

/** What a bot says on occasions that are no step's. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/responses")
class ResponsesController {

    private static final int LONGEST = 1000;
    private static final int LONGEST_OFFER = 80;
    private static final int MOST_WORDINGS = 20;
    private static final int MOST_OFFERS = 8;

    private final BotService bots;
    private final BotFrame frame;

    ResponsesController(BotService bots, BotFrame frame) {
        this.bots = bots;
        this.frame = frame;
    }

    /** An occasion with what was filled in for it. */
    public record Row(Occasion occasion, boolean on, String say, String outside, String offers, String minutes) {

        static Row of(Response response) {
            return new Row(
                    response.occasion(),
                    response.on(),
                    String.join("\n", response.say()),
                    String.join("\n", response.outside()),
                    String.join("\n", response.offers()),
                    Integer.toString(response.minutes()));
        }

        static Row of(Occasion occasion, Map<String, String> form) {
            String key = occasion.key();
            return new Row(
                    occasion,
                    form.containsKey(key),
                    form.getOrDefault(key + "-say", ""),
                    form.getOrDefault(key + "-outside", ""),
                    form.getOrDefault(key + "-offers", ""),
                    form.getOrDefault(key + "-minutes", Integer.toString(Response.USUAL_MINUTES)));
        }
    }

    @GetMapping
    String show(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "responses", model);
        Map<Occasion, Response> set = new LinkedHashMap<>();
        bot.manner().responses().forEach(response -> set.put(response.occasion(), response));
        List<Row> rows = new ArrayList<>();
        for (Occasion occasion : Occasion.values()) {
            rows.add(Row.of(set.getOrDefault(occasion, Response.usual(occasion))));
        }
        return show(bot, rows, Map.of(), model);
    }

    private static String show(Bot bot, List<Row> rows, Map<String, String> errors, Model model) {
        model.addAttribute("rows", rows);
        model.addAttribute("hours", !bot.manner().hours().isEmpty());
        model.addAttribute("errors", errors);
        return "studio/responses";
    }

    @PostMapping
    String save(
            @PathVariable String id, @RequestParam Map<String, String> form, Model model, RedirectAttributes flash) {
        List<Row> rows = new ArrayList<>();
        List<Response> responses = new ArrayList<>();
        Map<String, String> errors = new LinkedHashMap<>();
        for (Occasion occasion : Occasion.values()) {
            Row row = Row.of(occasion, form);
            rows.add(row);
            Response response = new Response(
                    occasion,
                    row.on(),
                    lines(row.say(), LONGEST, MOST_WORDINGS, occasion.key() + "-say", errors),
                    lines(row.outside(), LONGEST, MOST_WORDINGS, occasion.key() + "-outside", errors),
                    lines(row.offers(), LONGEST_OFFER, MOST_OFFERS, occasion.key() + "-offers", errors),
                    minutes(row, errors));
            if (!response.equals(Response.usual(occasion))) {
                responses.add(response);
            }
        }
        if (!errors.isEmpty()) {
            return show(frame.fill(id, "responses", model), rows, errors, model);
        }
        bots.adopt(id, bots.bot(id).manner().saying(responses));
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/responses";
    }

    private static List<String> lines(String text, int longest, int most, String field, Map<String, String> errors) {
        List<String> lines = text.lines()
                .map(line -> Words.clean(line))
                .filter(line -> !line.isEmpty())
                .toList();
        if (lines.size() > most || lines.stream().anyMatch(line -> line.length() > longest)) {
            errors.put(field, "Please write at most %d lines of up to %,d characters.".formatted(most, longest));
        }
        return lines;
    }

    private static int minutes(Row row, Map<String, String> errors) {
        String written = row.minutes().strip();
        boolean fine = written.matches("[1-9]\\d{0,4}") && Integer.parseInt(written) <= Response.MOST_MINUTES;
        if (row.occasion().timed() && row.on() && !fine) {
            errors.put(
                    row.occasion().key() + "-minutes",
                    "Please give minutes from 1 to %,d.".formatted(Response.MOST_MINUTES));
        }
        return fine ? Integer.parseInt(written) : Response.USUAL_MINUTES;
    }
}
