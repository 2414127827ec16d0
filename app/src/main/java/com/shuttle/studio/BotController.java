package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.knowledge.GapService;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.leads.LeadService;
import com.shuttle.releases.ReleaseInfo;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Checked;
import java.time.Instant;
import java.time.InstantSource;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
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
class BotController {

    private final BotService bots;
    private final ReleaseService releases;
    private final KnowledgeService knowledge;
    private final GapService gaps;
    private final ConversationService conversations;
    private final LeadService leads;
    private final BotFrame frame;
    private final InstantSource clock;

    BotController(
            BotService bots,
            ReleaseService releases,
            KnowledgeService knowledge,
            GapService gaps,
            ConversationService conversations,
            LeadService leads,
            BotFrame frame,
            InstantSource clock) {
        this.bots = bots;
        this.releases = releases;
        this.knowledge = knowledge;
        this.gaps = gaps;
        this.conversations = conversations;
        this.leads = leads;
        this.frame = frame;
        this.clock = clock;
    }

    @GetMapping("/bots")
    String list(Model model) {
        Instant today = clock.instant().truncatedTo(ChronoUnit.DAYS);
        model.addAttribute(
                "rows", bots.bots().stream().map(bot -> row(bot, today)).toList());
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
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        return switch (bots.create(name, region, person.account().id())) {
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
        model.addAttribute("regions", regions());
        return "studio/profile";
    }

    @PostMapping("/bots/{id}/profile")
    String change(
            @PathVariable String id,
            @RequestParam String name,
            @RequestParam String slug,
            @RequestParam(defaultValue = "") String description,
            @RequestParam String region,
            Model model,
            RedirectAttributes flash) {
        if (bots.change(id, name, slug, description, region) instanceof Checked.Bad<Bot> bad) {
            Bot bot = frame.fill(id, "profile", model);
            model.addAttribute("form", new Bot(id, slug, name, description, region, bot.mainFlow()));
            model.addAttribute("errors", bad.errors());
            model.addAttribute("regions", regions());
            return "studio/profile";
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/bots/" + id + "/profile";
    }

    @GetMapping("/bots/{id}/knowledge")
    String knowledge(@PathVariable String id, @RequestParam(defaultValue = "1") int page, Model model) {
        frame.fill(id, "knowledge", model);
        model.addAttribute("collections", knowledge.collections());
        model.addAttribute("chosen", knowledge.collectionsOf(id));
        model.addAttribute("gaps", gaps.list(id, page));
        return "studio/knowledge";
    }

    @PostMapping("/bots/{id}/knowledge")
    String chooseCollections(@PathVariable String id, @RequestParam(defaultValue = "") List<String> collections) {
        knowledge.setCollections(bots.bot(id).id(), collections);
        return "redirect:/bots/" + id + "/knowledge";
    }

    @PostMapping("/bots/{id}/gaps/{gap}/dismiss")
    String dismiss(@PathVariable String id, @PathVariable String gap) {
        gaps.dismiss(id, gap);
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
