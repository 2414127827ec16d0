package com.shuttle.bots;

import com.shuttle.bots.Manners.Saying;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Access;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.EnumMap;
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

/** What a bot says on occasions that are no step's, what it hears at any time, and how fast it types. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/manners")
class MannersController {

    private static final int LONGEST = 1000;
    private static final int LONGEST_OFFER = 80;
    private static final int MOST_LINES = 20;
    private static final int MOST_OFFERS = 8;
    private static final int MOST_PHRASES = 50;

    private final BotService bots;
    private final BotFrame frame;

    MannersController(BotService bots, BotFrame frame) {
        this.bots = bots;
        this.frame = frame;
    }

    @GetMapping
    String show(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "manners", model);
        Map<Occasion, Saying> sayings = new EnumMap<>(Occasion.class);
        bot.manner().responses().forEach(response -> sayings.put(response.occasion(), Saying.of(response)));
        String letters = Integer.toString(bot.manner().letters());
        return show(bot, sayings, bot.standing(), letters, Map.of(), model);
    }

    private String show(
            Bot bot,
            Map<Occasion, Saying> sayings,
            List<StandingWords> standing,
            String letters,
            Map<String, String> errors,
            Model model) {
        boolean hours = !bot.manner().hours().isEmpty();
        Map<String, String> flows = new LinkedHashMap<>();
        bots.drafts(bot.id())
                .forEach(draft -> flows.put(draft.flow().id(), draft.flow().name()));
        model.addAttribute("manners", Manners.of(sayings, standing, letters, hours, flows));
        model.addAttribute("errors", errors);
        return "bots/manners";
    }

    @PostMapping
    String save(
            @PathVariable String id, @RequestParam Map<String, String> form, Model model, RedirectAttributes flash) {
        Map<String, String> errors = new LinkedHashMap<>();
        Map<Occasion, Saying> sayings = new EnumMap<>(Occasion.class);
        List<Response> responses = new ArrayList<>();
        for (Occasion occasion : Occasion.values()) {
            Saying saying = written(occasion, form);
            sayings.put(occasion, saying);
            Response response = response(saying, errors);
            if (!response.equals(Response.usual(occasion))) {
                responses.add(response);
            }
        }
        List<StandingWords> standing = Manners.REQUESTS.keySet().stream()
                .map(request -> standing(request, form, errors))
                .filter(words -> words.off()
                        || !words.phrases().isEmpty()
                        || !words.flow().isEmpty())
                .toList();
        String letters = form.getOrDefault("letters", "0").strip();
        int speed = letters.isEmpty() ? 0 : letters.matches("\\d{1,4}") ? Integer.parseInt(letters) : -1;
        if (speed < 0 || speed > Manner.FASTEST) {
            errors.put("letters", Manner.NO_SPEED);
        }
        if (!errors.isEmpty()) {
            return show(frame.fill(id, "manners", model), sayings, standing, letters, errors, model);
        }
        bots.behave(id, bots.bot(id).manner().saying(responses).typing(speed), standing);
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/manners";
    }

    private static Saying written(Occasion occasion, Map<String, String> form) {
        String key = occasion.key();
        return new Saying(
                occasion,
                form.containsKey(key),
                form.getOrDefault(key + "-say", ""),
                form.getOrDefault(key + "-outside", ""),
                form.getOrDefault(key + "-offers", ""),
                form.getOrDefault(key + "-minutes", Integer.toString(Response.USUAL_MINUTES)),
                form.getOrDefault(key + "-flow", ""));
    }

    private static Response response(Saying saying, Map<String, String> errors) {
        String key = saying.key();
        return new Response(
                saying.occasion(),
                saying.on(),
                lines(saying.say(), LONGEST, MOST_LINES, key + "-say", errors),
                lines(saying.outside(), LONGEST, MOST_LINES, key + "-outside", errors),
                lines(saying.offers(), LONGEST_OFFER, MOST_OFFERS, key + "-offers", errors),
                minutes(saying, errors),
                saying.flow());
    }

    private static StandingWords standing(String request, Map<String, String> form, Map<String, String> errors) {
        String key = request + "-phrases";
        return new StandingWords(
                request,
                !form.containsKey(request),
                lines(form.getOrDefault(key, ""), Length.LINE.most(), MOST_PHRASES, key, errors),
                form.getOrDefault(request + "-flow", ""));
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

    private static int minutes(Saying saying, Map<String, String> errors) {
        String written = saying.minutes().strip();
        boolean fine = written.matches("[1-9]\\d{0,4}") && Integer.parseInt(written) <= Response.MOST_MINUTES;
        if (saying.occasion().timed() && saying.on() && !fine) {
            errors.put(
                    saying.key() + "-minutes", "Please give minutes from 1 to %,d.".formatted(Response.MOST_MINUTES));
        }
        return fine ? Integer.parseInt(written) : Response.USUAL_MINUTES;
    }
}
