package com.shuttle.leads;

import com.shuttle.bots.BotService;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.scoring.CardCheck;
import com.shuttle.core.scoring.Scored;
import com.shuttle.scorecards.Scorecards;
import com.shuttle.scorecards.StoredCard;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import jakarta.servlet.http.HttpSession;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Scorecards: written, tried, and compared with what is released before it is. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/leads/scorecards")
class ScorecardController {

    private static final String DELETED = "scorecard.deleted";
    private static final int MOVERS_SHOWN = 12;

    private final Scorecards scorecards;
    private final Cards cards;
    private final BotService bots;

    ScorecardController(Scorecards scorecards, Cards cards, BotService bots) {
        this.scorecards = scorecards;
        this.cards = cards;
        this.bots = bots;
    }

    /** A card in the list. */
    record Line(StoredCard stored, int criteria, String bands, List<Cards.User> users) {}

    @GetMapping
    String list(HttpSession session, Model model) {
        model.addAttribute(
                "lines",
                scorecards.all().stream()
                        .map(one -> new Line(
                                one,
                                one.card().criteria().size(),
                                one.card().bands().stream()
                                        .map(Scorecard.Band::name)
                                        .collect(Collectors.joining(", ")),
                                cards.users(one.id())))
                        .toList());
        model.addAttribute("bots", bots.bots());
        model.addAttribute("deleted", session.getAttribute(DELETED));
        keepErrors(model);
        return "leads/scorecards";
    }

    @PostMapping
    String create(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String bot,
            RedirectAttributes flash) {
        return switch (scorecards.create(name, known(bot, ""))) {
            case Checked.Good<String>(String id) -> "redirect:/leads/scorecards/" + id;
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                yield "redirect:/leads/scorecards";
            }
        };
    }

    /** @param lead id of a conversation that was scored, to be shown on the card; empty for none */
    @GetMapping("/{id}")
    String card(
            @PathVariable String id, @RequestParam(defaultValue = "") String lead, HttpSession session, Model model) {
        StoredCard stored = scorecards.card(id);
        List<Cards.User> users = cards.users(id);
        Map<String, ValueType> variables = cards.variables(stored, users);
        List<ScoreStore.Given> last = cards.last(id);
        Map<String, String> tried = tried(session, id);
        Scored scored = !lead.isEmpty()
                ? cards.of(stored.card(), lead, last, variables).orElse(null)
                : tried.isEmpty() ? null : cards.tried(stored.card(), tried, variables);
        model.addAttribute("stored", stored);
        model.addAttribute("card", stored.card());
        model.addAttribute("is", Scorecard.Is.values());
        model.addAttribute("users", users);
        model.addAttribute("variables", variables.keySet());
        model.addAttribute("faults", faults(stored.card(), variables));
        model.addAttribute("last", last);
        model.addAttribute("lead", lead);
        model.addAttribute("tried", tried);
        model.addAttribute("scored", scored);
        model.addAttribute("picture", CardPicture.of(stored.card(), scored));
        model.addAttribute("asked", asked(stored.card()));
        compare(stored.card(), users, last, variables, model);
        keepErrors(model);
        return "leads/scorecard";
    }

    /** What the draft does to those scored last, beside the released card. */
    private void compare(
            Scorecard draft,
            List<Cards.User> users,
            List<ScoreStore.Given> last,
            Map<String, ValueType> variables,
            Model model) {
        Scorecard today = users.stream()
                .map(Cards.User::live)
                .filter(live -> live != null)
                .findFirst()
                .orElse(null);
        model.addAttribute("today", today);
        model.addAttribute("differs", today != null && !today.equals(draft));
        if (today != null && !last.isEmpty()) {
            var change = cards.change(today, draft, last, variables);
            Map<String, int[]> bands = new LinkedHashMap<>();
            change.from().forEach((band, many) -> bands.computeIfAbsent(band, b -> new int[2])[0] = many);
            change.to().forEach((band, many) -> bands.computeIfAbsent(band, b -> new int[2])[1] = many);
            model.addAttribute("bandCounts", bands);
            model.addAttribute(
                    "movers", change.movers().stream().limit(MOVERS_SHOWN).toList());
            model.addAttribute("moving", change.movers().size());
        }
    }

    /** What a card asks of a visitor, to be tried out: variables, those of expressions among them. */
    private static List<String> asked(Scorecard card) {
        return card.criteria().stream()
                .flatMap(criterion -> java.util.regex.Pattern.compile("[a-z][a-z0-9_]*")
                        .matcher(criterion.about())
                        .results()
                        .map(java.util.regex.MatchResult::group))
                .distinct()
                .toList();
    }

    private Map<String, String> faults(Scorecard card, Map<String, ValueType> variables) {
        Map<String, String> faults = new HashMap<>();
        for (CardCheck.Fault fault : cards.faults(card, variables)) {
            faults.merge(fault.place(), fault.words(), (one, other) -> one + " " + other);
        }
        return faults;
    }

    /** @param form the card, with {@code do} for what is to be added or taken away besides keeping it */
    @PostMapping("/{id}")
    String keep(
            @PathVariable String id,
            @RequestParam Map<String, String> form,
            HttpSession session,
            RedirectAttributes flash) {
        StoredCard before = scorecards.card(id);
        String act = form.getOrDefault("do", "");
        Checked<StoredCard> kept =
                scorecards.keep(CardForm.read(id, form), known(form.getOrDefault("bot", before.bot()), before.bot()));
        if (kept instanceof Checked.Bad<StoredCard>(Map<String, String> errors)) {
            flash.addFlashAttribute("errors", errors);
        } else if (act.isEmpty()) {
            flash.addFlashAttribute("said", "Kept. Visitors are scored by it from the next release of a bot on.");
        }
        String at = act.startsWith("add:") ? "#" + act.substring(4).replace('.', '-') : "";
        return "redirect:/leads/scorecards/" + id + at;
    }

    /** Id of a bot that there is; otherwise what it was. */
    private String known(String bot, String before) {
        return bot.isEmpty() || bots.find(bot).isPresent() ? bot : before;
    }

    /** Scores values set by hand. */
    @PostMapping("/{id}/try")
    String tryOut(@PathVariable String id, @RequestParam Map<String, String> form, HttpSession session) {
        Map<String, String> values = new HashMap<>();
        form.forEach((name, value) -> {
            if (name.startsWith("try.") && !value.isBlank() && value.length() <= 300) {
                values.put(name.substring(4), value);
            }
        });
        session.setAttribute("scorecard.tried." + id, new HashMap<>(values));
        return "redirect:/leads/scorecards/" + id + "#picture";
    }

    @SuppressWarnings("unchecked")
    private static Map<String, String> tried(HttpSession session, String id) {
        Object kept = session.getAttribute("scorecard.tried." + id);
        return kept == null ? Map.of() : (Map<String, String>) kept;
    }

    @PostMapping("/{id}/delete")
    String delete(@PathVariable String id, HttpSession session) {
        scorecards.card(id);
        scorecards.delete(id);
        session.setAttribute(DELETED, id);
        return "redirect:/leads/scorecards";
    }

    /** Puts back the card that was deleted last. */
    @PostMapping("/restore")
    String restore(HttpSession session) {
        @Nullable Object id = session.getAttribute(DELETED);
        session.removeAttribute(DELETED);
        if (id == null) {
            return "redirect:/leads/scorecards";
        }
        scorecards.bringBack(id.toString());
        return "redirect:/leads/scorecards/" + id;
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
    }
}
