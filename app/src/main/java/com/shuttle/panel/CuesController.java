package com.shuttle.panel;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Where;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import java.time.DateTimeException;
import java.time.InstantSource;
import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** When a bot speaks up: its cues, what they brought, and trying them out. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/cues")
class CuesController {

    private static final String NEW = "new";
    private static final List<String> MOVES = List.of("up", "down", "delete");
    private static final int MOST = 50;
    private static final int BLANK_ROWS = 2;

    private final Sites sites;
    private final Speaking speaking;
    private final BotService bots;
    private final BotFrame frame;
    private final InstantSource clock;

    CuesController(Sites sites, Speaking speaking, BotService bots, BotFrame frame, InstantSource clock) {
        this.sites = sites;
        this.speaking = speaking;
        this.bots = bots;
        this.frame = frame;
        this.clock = clock;
    }

    /** A cue in the list. @param everywhere whether it acts on every page as soon as somebody comes */
    public record Line(Cue cue, String when, String where, Brought brought, boolean everywhere) {}

    private static Line line(Cue cue, Map<String, Brought> brought) {
        String where = cue.where().isEmpty()
                ? cue.what() == Happening.KEYWORD ? "on every number it answers" : "on every page"
                : cue.where().stream()
                        .map(one -> (one.not() ? "not where " : "where ")
                                + one.of().label() + " " + one.how().label() + " " + one.value())
                        .reduce((a, b) -> a + ", " + b)
                        .orElse("");
        boolean everywhere = cue.where().isEmpty() && cue.what() == Happening.STAYED && cue.amount() < 3;
        return new Line(cue, when(cue), where, brought.getOrDefault(cue.id(), Brought.NOTHING), everywhere);
    }

    private static String when(Cue cue) {
        return switch (cue.what().amount()) {
            case NONE -> cue.what().label() + (cue.words().isEmpty() ? "" : ": " + String.join(", ", cue.words()));
            case SECONDS -> cue.what().label() + " " + cue.amount() + " s";
            case PERCENT -> cue.what().label() + " " + cue.amount() + " %";
        };
    }

    @GetMapping
    String cues(@PathVariable String id, @RequestParam Map<String, String> query, Model model) {
        Bot bot = frame.fill(id, "cues", model);
        Map<String, Brought> brought = speaking.brought(id);
        model.addAttribute(
                "lines",
                sites.presence(id).cues().stream()
                        .map(cue -> line(cue, brought))
                        .toList());
        List<Site> all = sites.sites();
        model.addAttribute("sites", all);
        model.addAttribute("happenings", Happening.values());
        model.addAttribute("devices", CueForm.DEVICES);
        tryOut(bot, all, query, model);
        return "panel/cues";
    }

    private void tryOut(Bot bot, List<Site> all, Map<String, String> query, Model model) {
        Map<String, String> asked = new LinkedHashMap<>(query);
        LocalDateTime now = LocalDateTime.ofInstant(clock.instant(), Zones.firstKnown(bot.zone()));
        asked.putIfAbsent("at", now.truncatedTo(ChronoUnit.MINUTES).toString());
        sites.presence(bot.id()).cues().stream()
                .findFirst()
                .filter(cue -> !query.containsKey("what"))
                .ifPresent(cue -> {
                    asked.put("what", cue.what().key());
                    asked.put("amount", Integer.toString(cue.amount()));
                    asked.put("said", String.join(", ", cue.words()));
                });
        asked.putIfAbsent("amount", "40");
        asked.putIfAbsent("visits", "2");
        asked.putIfAbsent("what", "stayed");
        asked.putIfAbsent(
                "page",
                all.stream()
                        .flatMap(site -> site.addresses().stream())
                        .findFirst()
                        .map(address -> address + "/")
                        .orElse(""));
        model.addAttribute("asked", asked);
        Optional<Site> site = all.stream()
                .filter(one -> one.id().equals(query.getOrDefault("site", "")))
                .findFirst();
        model.addAttribute(
                "tried",
                site.map(one -> speaking.tried(one, visit(asked), parts(asked.get("known")), at(asked.get("at"), now)))
                        .orElse(null));
    }

    private static Speaking.Visit visit(Map<String, String> asked) {
        Happening what = Arrays.stream(Happening.values())
                .filter(one -> one.key().equals(asked.get("what")))
                .findFirst()
                .orElse(Happening.STAYED);
        return new Speaking.Visit(
                what,
                number(asked.get("amount")),
                asked.getOrDefault("said", ""),
                asked.getOrDefault("page", ""),
                asked.getOrDefault("referrer", ""),
                asked.getOrDefault("campaign", ""),
                Math.max(1, number(asked.get("visits"))),
                asked.getOrDefault("language", "en"),
                asked.getOrDefault("device", "desktop"),
                parts(asked.get("facts")),
                Map.of());
    }

    private static List<String> parts(@Nullable String text) {
        return text == null
                ? List.of()
                : Arrays.stream(text.split(",")).map(String::strip).toList();
    }

    private static int number(@Nullable String text) {
        return text != null && text.matches("\\d{1,6}") ? Integer.parseInt(text) : 0;
    }

    private static LocalDateTime at(@Nullable String text, LocalDateTime now) {
        try {
            return text == null ? now : LocalDateTime.parse(text);
        } catch (DateTimeException none) {
            return now;
        }
    }

    @GetMapping("/{cue}")
    String cue(@PathVariable String id, @PathVariable String cue, Model model) {
        frame.fill(id, "cues", model);
        Cue shown = cue.equals(NEW) ? CueForm.blank() : one(id, cue);
        model.addAttribute("cue", model.containsAttribute("typed") ? model.getAttribute("typed") : form(shown));
        model.addAttribute("cueId", cue);
        model.addAttribute("title", cue.equals(NEW) ? "New cue" : shown.name());
        if (!model.containsAttribute("rows")) {
            model.addAttribute("rows", rows(shown.where()));
            model.addAttribute("chosen", shown.devices());
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("happenings", Happening.values());
        model.addAttribute("ofs", Where.Of.values());
        model.addAttribute("hows", Where.How.values());
        model.addAttribute("devices", CueForm.DEVICES);
        model.addAttribute("days", CueForm.DAYS);
        model.addAttribute(
                "flows", bots.drafts(id).stream().map(draft -> draft.flow()).toList());
        return "panel/cue";
    }

    /** A row of pages in the form. */
    public record Row(String of, String how, String value) {}

    private static List<Row> rows(List<Where> where) {
        List<Row> rows = new ArrayList<>(where.stream()
                .map(one -> new Row(
                        one.of().key(), (one.not() ? "not_" : "") + one.how().key(), one.value()))
                .toList());
        for (int i = 0; i < BLANK_ROWS; i++) {
            rows.add(new Row("page", "equals", ""));
        }
        return rows;
    }

    private static Map<String, String> form(Cue cue) {
        Map<String, String> form = new LinkedHashMap<>();
        form.put("name", cue.name());
        form.put("on", cue.on() ? "yes" : "");
        form.put("what", cue.what().key());
        form.put("amount", String.valueOf(cue.amount()));
        form.put("words", String.join(", ", cue.words()));
        cue.hours().forEach((day, span) -> form.put("hours-" + day, span));
        form.put("languages", String.join(", ", cue.languages()));
        form.put("visit", String.valueOf(cue.limits().visit()));
        form.put("day", String.valueOf(cue.limits().day()));
        form.put("ever", String.valueOf(cue.limits().ever()));
        form.put("pause", String.valueOf(cue.limits().pauseHours()));
        form.put("greeting", cue.greeting());
        form.put("flow", cue.flow());
        form.put("opens", cue.opens() ? "yes" : "no");
        return form;
    }

    private Cue one(String bot, String cue) {
        return sites.presence(bot).cues().stream()
                .filter(one -> one.id().equals(cue))
                .findFirst()
                .orElseThrow(() -> new Missing("cue", cue));
    }

    @PostMapping("/{cue}")
    String keep(
            @PathVariable String id,
            @PathVariable String cue,
            @RequestParam Map<String, String> form,
            @RequestParam(name = "of", defaultValue = "") List<String> of,
            @RequestParam(name = "how", defaultValue = "") List<String> how,
            @RequestParam(name = "value", defaultValue = "") List<String> value,
            @RequestParam(name = "device", defaultValue = "") List<String> devices,
            RedirectAttributes flash) {
        bots.bot(id);
        boolean fresh = cue.equals(NEW);
        String cueId = fresh ? Ids.next() : one(id, cue).id();
        CueForm.Rows rows = new CueForm.Rows(of, how, value);
        Checked<Cue> read = fresh && sites.presence(id).cues().size() >= MOST
                ? Checked.bad("name", "A bot has up to %d cues.".formatted(MOST))
                : CueForm.read(cueId, form, rows, devices);
        switch (read) {
            case Checked.Good<Cue>(Cue kept) -> {
                sites.cues(id, all -> {
                    if (fresh) {
                        all.add(kept);
                    } else {
                        all.replaceAll(one -> one.id().equals(cueId) ? kept : one);
                    }
                    return all;
                });
                flash.addFlashAttribute("said", "“" + kept.name() + "” is kept.");
                return "redirect:/bots/" + id + "/cues";
            }
            case Checked.Bad<Cue> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("typed", new LinkedHashMap<>(form));
                List<Row> again = new ArrayList<>();
                for (int i = 0; i < Math.min(value.size(), Math.min(of.size(), how.size())); i++) {
                    again.add(new Row(of.get(i), how.get(i), value.get(i)));
                }
                flash.addFlashAttribute("rows", again);
                flash.addFlashAttribute("chosen", devices);
                return "redirect:/bots/" + id + "/cues/" + cue;
            }
        }
    }

    /** @param what {@code up}, {@code down} or {@code delete} */
    @PostMapping("/{cue}/{what}")
    String move(
            @PathVariable String id, @PathVariable String cue, @PathVariable String what, RedirectAttributes flash) {
        Cue moved = one(id, cue);
        if (!MOVES.contains(what)) {
            throw new Missing("move of a cue", what);
        }
        sites.cues(id, all -> {
            int at = all.indexOf(moved);
            all.remove(moved);
            if (!what.equals("delete")) {
                all.add(Math.clamp(at + (what.equals("up") ? -1 : 1), 0, all.size()), moved);
            }
            return all;
        });
        if (what.equals("delete")) {
            flash.addFlashAttribute("said", "“" + moved.name() + "” is deleted.");
        }
        return "redirect:/bots/" + id + "/cues";
    }
}
