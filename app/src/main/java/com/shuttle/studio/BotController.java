package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotForm;
import com.shuttle.bots.BotService;
import com.shuttle.bots.Manner;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.reading.Words;
import com.shuttle.knowledge.GapService;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.leads.LeadService;
import com.shuttle.releases.ReleaseInfo;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Page;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The list of bots, and a bot's pages other than its flows. */
@Controller
@Access(Access.Who.DESIGNER)
class BotController {

    /** The standing requests, in the words of designers. */
    private static final Map<String, String> STANDING = new LinkedHashMap<>();

    static {
        STANDING.put("person", "a person");
        STANDING.put("start_again", "start again");
        STANDING.put("menu", "the menu");
        STANDING.put("stop", "stop");
        STANDING.put("back", "go back one question");
    }

    private static final List<String> DAYS = Arrays.stream(DayOfWeek.values())
            .map(day -> day.name().toLowerCase(Locale.ROOT))
            .toList();

    /** Questions that are asked to show what a setting does. */
    private static final int MOST_SAMPLES = 150;

    private final BotService bots;
    private final AccountService accounts;
    private final ReleaseService releases;
    private final KnowledgeService knowledge;
    private final GapService gaps;
    private final ConversationService conversations;
    private final LeadService leads;
    private final BotFrame frame;
    private final BotTemplates templates;
    private final InstantSource clock;

    BotController(
            BotService bots,
            AccountService accounts,
            ReleaseService releases,
            KnowledgeService knowledge,
            GapService gaps,
            ConversationService conversations,
            LeadService leads,
            BotFrame frame,
            BotTemplates templates,
            InstantSource clock) {
        this.bots = bots;
        this.accounts = accounts;
        this.releases = releases;
        this.knowledge = knowledge;
        this.gaps = gaps;
        this.conversations = conversations;
        this.leads = leads;
        this.frame = frame;
        this.templates = templates;
        this.clock = clock;
    }

    @GetMapping("/bots")
    String list(@RequestParam(defaultValue = "") String q, @RequestParam(defaultValue = "1") int page, Model model) {
        Instant today = clock.instant().truncatedTo(ChronoUnit.DAYS);
        String wanted = q.strip().toLowerCase(Locale.ROOT);
        List<Bot> all = bots.bots();
        List<Bot> found = all.stream()
                .filter(bot ->
                        !bot.archived() && bot.name().toLowerCase(Locale.ROOT).contains(wanted))
                .toList();
        List<BotRow> rows = found.stream()
                .skip(Page.offset(page))
                .limit(Page.SIZE)
                .map(bot -> row(bot, today))
                .toList();
        model.addAttribute("q", q);
        model.addAttribute("page", Page.of(rows, page, found.size()));
        model.addAttribute("none", all.stream().allMatch(Bot::archived));
        model.addAttribute("away", all.stream().filter(Bot::archived).toList());
        model.addAttribute("deleted", bots.deleted().keySet());
        model.addAttribute("templates", templates.list());
        model.addAttribute("regions", regions());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "studio/bots";
    }

    @PostMapping("/bots")
    String create(
            @RequestParam String name,
            @RequestParam(defaultValue = "GB") String region,
            @RequestParam(defaultValue = "") String template,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        return switch (templates.make(template, name, region, person.account().id())) {
            case Checked.Good<Bot>(Bot bot) -> "redirect:/bots/" + bot.id() + "/flows/" + bot.mainFlow();
            case Checked.Bad<Bot> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("typed", name);
                yield "redirect:/bots";
            }
        };
    }

    @GetMapping("/bots/{id}")
    String open(@PathVariable String id) {
        return "redirect:/bots/" + id + "/flows/" + bots.bot(id).mainFlow();
    }

    @GetMapping("/bots/{id}/profile")
    String profile(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "profile", model);
        model.addAttribute("form", bot);
        model.addAttribute("errors", Map.of());
        fillProfile(bot, model);
        return "studio/profile";
    }

    @PostMapping("/bots/{id}/profile")
    String change(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String slug,
            @RequestParam(defaultValue = "") String description,
            @RequestParam String region,
            @RequestParam String zone,
            @RequestParam Map<String, String> all,
            Model model,
            RedirectAttributes flash) {
        Map<String, String> hours = new LinkedHashMap<>();
        DAYS.forEach(day -> hours.put(day, all.getOrDefault("hours-" + day, "")));
        String letters = all.getOrDefault("letters", "0").strip();
        Manner manner = new Manner(
                all.getOrDefault("picture", "").strip(),
                all.getOrDefault("team", ""),
                BotForm.hours(hours),
                all.getOrDefault("language", "en").strip(),
                letters.isEmpty() ? 0 : letters.matches("\\d{1,6}") ? Integer.parseInt(letters) : -1,
                bots.bot(id).manner().responses());
        BotForm form = new BotForm(name, slug, description, region, zone, manner);
        if (bots.change(id, form) instanceof Checked.Bad<Bot> bad) {
            Bot bot = frame.fill(id, "profile", model);
            model.addAttribute("form", form);
            model.addAttribute("errors", bad.errors());
            fillProfile(bot, model);
            return "studio/profile";
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/profile";
    }

    /** How standing requests are heard: a checkbox and more phrases, one a line, for each. */
    @PostMapping("/bots/{id}/standing")
    String standing(@PathVariable String id, @RequestParam Map<String, String> form, RedirectAttributes flash) {
        List<StandingWords> standing = new ArrayList<>();
        for (String request : STANDING.keySet()) {
            List<String> phrases = form.getOrDefault(request + "-phrases", "")
                    .lines()
                    .map(line -> Words.clean(line))
                    .filter(line -> !line.isEmpty() && line.length() <= 200)
                    .limit(50)
                    .toList();
            boolean off = !form.containsKey(request);
            if (off || !phrases.isEmpty()) {
                standing.add(new StandingWords(request, off, phrases));
            }
        }
        bots.setStanding(id, standing);
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/profile";
    }

    @GetMapping("/bots/{id}/knowledge")
    String knowledge(@PathVariable String id, @RequestParam(defaultValue = "1") int page, Model model) {
        frame.fill(id, "knowledge", model);
        model.addAttribute("collections", knowledge.collections());
        model.addAttribute("chosen", knowledge.collectionsOf(id));
        model.addAttribute("gaps", gaps.list(id, page));
        model.addAttribute("sureness", knowledge.sureness(id));
        model.addAttribute("held", knowledge.samples(id, MOST_SAMPLES));
        model.addAttribute("asked", gaps.samples(id, MOST_SAMPLES));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "studio/knowledge";
    }

    @PostMapping("/bots/{id}/knowledge")
    String chooseCollections(@PathVariable String id, @RequestParam(defaultValue = "") List<String> collections) {
        knowledge.setCollections(bots.bot(id).id(), collections);
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
    String teach(@PathVariable String id, @PathVariable String gap, RedirectAttributes flash) {
        if (gaps.teachNearest(id, gap)) {
            flash.addFlashAttribute("again", gaps.askAgain(id));
        }
        return "redirect:/bots/" + id + "/knowledge#gaps";
    }

    @PostMapping("/bots/{id}/gaps/again")
    String askAgain(@PathVariable String id, RedirectAttributes flash) {
        flash.addFlashAttribute("again", gaps.askAgain(id));
        return "redirect:/bots/" + id + "/knowledge#gaps";
    }

    @GetMapping("/bots/{id}/releases")
    String releases(@PathVariable String id, Model model) {
        frame.fill(id, "releases", model);
        model.addAttribute("releases", releases.releases(id));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "studio/releases";
    }

    @PostMapping("/bots/{id}/releases")
    String release(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String note,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        switch (releases.release(id, note, person.account().id())) {
            case Checked.Good<ReleaseInfo>(ReleaseInfo made) -> flash.addFlashAttribute("made", made.number());
            case Checked.Bad<ReleaseInfo> bad -> flash.addFlashAttribute("errors", bad.errors());
        }
        return "redirect:/bots/" + id + "/releases";
    }

    private void fillProfile(Bot bot, Model model) {
        model.addAttribute("days", DAYS);
        model.addAttribute("teams", accounts.teams());
        model.addAttribute("regions", regions());
        model.addAttribute(
                "zones",
                new TreeSet<>(ZoneId.getAvailableZoneIds().stream()
                        .filter(zone -> zone.contains("/") && !zone.startsWith("Etc/") && !zone.startsWith("System"))
                        .toList()));
        model.addAttribute("standingNames", STANDING);
        model.addAttribute(
                "standing", bot.standing().stream().collect(Collectors.toMap(StandingWords::request, words -> words)));
    }

    private BotRow row(Bot bot, Instant today) {
        int number = releases.live(bot.id())
                .map(live -> releases.playbook(live).release().number())
                .orElse(0);
        return new BotRow(
                bot,
                number,
                releases.draftDiffers(bot),
                bots.steps(bot.id()),
                conversations.startedSince(bot.id(), today),
                conversations.handedOffSince(bot.id(), today),
                leads.since(bot.id(), today),
                gaps.count(bot.id()));
    }

    private static List<Locale> regions() {
        return Arrays.stream(Locale.getISOCountries())
                .map(code -> Locale.of("", code))
                .sorted(Comparator.comparing(region -> region.getDisplayCountry(Locale.ENGLISH)))
                .toList();
    }
}
