package com.shuttle.bots;

import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.time.InstantSource;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
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

/** The list of bots: made, put away, deleted and brought back. */
@Controller
@Access(Access.Who.DESIGNER)
class BotController {

    /** So many bots are seen at a look. */
    private static final int A_LOOK = 8;

    private static final String LIST = "redirect:/bots";

    private final BotService bots;
    private final BotDeletion deletion;
    private final LiveState releases;
    private final OnSites sites;
    private final BotTemplates templates;
    private final List<BotFigure> figures;
    private final InstantSource clock;

    BotController(
            BotService bots,
            LiveState releases,
            OnSites sites,
            BotTemplates templates,
            List<BotFigure> figures,
            InstantSource clock,
            BotDeletion deletion) {
        this.deletion = deletion;
        this.bots = bots;
        this.releases = releases;
        this.sites = sites;
        this.templates = templates;
        this.figures = figures.stream()
                .sorted(Comparator.comparingInt(BotFigure::place))
                .toList();
        this.clock = clock;
    }

    @GetMapping("/bots")
    String list(@RequestParam Map<String, String> parameters, Model model) {
        Wanted wanted = Wanted.of(parameters);
        List<Bot> all = bots.bots();
        model.addAttribute("listing", listing(wanted, all));
        model.addAttribute("none", all.stream().allMatch(Bot::archived));
        model.addAttribute("away", all.stream().filter(Bot::archived).toList());
        model.addAttribute("deleted", bots.deleted().keySet());
        model.addAttribute("templates", templates.list());
        model.addAttribute("regions", BotForm.regions());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "bots/bots";
    }

    /** The search is offered from a number of bots on that no longer fits a look. */
    private Listing<BotRow> listing(Wanted wanted, List<Bot> all) {
        Instant today = clock.instant().truncatedTo(ChronoUnit.DAYS);
        String search = wanted.search().toLowerCase(Locale.ROOT);
        List<Bot> found = all.stream()
                .filter(bot ->
                        !bot.archived() && bot.name().toLowerCase(Locale.ROOT).contains(search))
                .toList();
        List<BotRow> rows = found.stream()
                .skip(Page.offset(wanted.page()))
                .limit(Page.SIZE)
                .map(bot -> row(bot, today))
                .toList();
        List<Column> columns = new ArrayList<>(List.of(
                Column.plain("Bot"),
                Column.plain("State"),
                Column.plain("Steps").number()));
        figures.forEach(figure -> columns.add(Column.plain(figure.title()).number()));
        Listing<BotRow> listing = Listing.of("/bots", wanted, Page.of(rows, wanted.page(), found.size()))
                .columns(columns.toArray(Column[]::new));
        return found.size() > A_LOOK || wanted.narrowed() ? listing.searched("Find a bot by its name") : listing;
    }

    @PostMapping("/bots")
    String create(
            @RequestParam String name,
            @RequestParam(defaultValue = "GB") String region,
            @RequestParam(defaultValue = "") String template,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        return switch (templates.make(template, name, region, person.account().id())) {
            case Checked.Good<Bot>(Bot bot) -> LIST + "/" + bot.id() + "/flows/" + bot.mainFlow();
            case Checked.Bad<Bot> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("typed", name);
                yield LIST;
            }
        };
    }

    @GetMapping("/bots/{id}")
    String open(@PathVariable String id) {
        return LIST + "/" + id + "/flows/" + bots.bot(id).mainFlow();
    }

    @PostMapping("/bots/{id}/archive")
    String archive(@PathVariable String id, @RequestParam boolean away, RedirectAttributes flash) {
        bots.archive(id, away);
        flash.addFlashAttribute("archived", away ? bots.bot(id).name() : null);
        return LIST;
    }

    @PostMapping("/bots/{id}/delete")
    String delete(@PathVariable String id, RedirectAttributes flash) {
        Bot gone = deletion.delete(id);
        flash.addFlashAttribute("gone", gone);
        return LIST;
    }

    @PostMapping("/bots/{id}/restore")
    String restore(@PathVariable String id) {
        bots.restore(id);
        return LIST;
    }

    private BotRow row(Bot bot, Instant today) {
        return new BotRow(
                bot,
                releases.liveNumber(bot.id()),
                releases.draftDiffers(bot),
                bots.steps(bot.id()),
                figures.stream()
                        .map(figure -> new BotRow.Counted(
                                figure.path(), figure.counted().of(bot.id(), today)))
                        .toList(),
                sites.state(bot.id()));
    }
}
