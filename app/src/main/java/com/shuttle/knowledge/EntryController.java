package com.shuttle.knowledge;

import com.shuttle.bots.BotService;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Listing.Option;
import com.shuttle.web.Wanted;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The entries of a collection. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/knowledge/{id}")
class EntryController {

    /** Where the entry deleted last is kept, so that it can be put back. */
    private static final String DELETED = "deletedEntry";

    private static final List<Option> STATES = List.of(
            new Option("published", "published"),
            new Option("draft", "drafts"),
            new Option("over", "past their last day"));

    private final KnowledgeService knowledge;
    private final EntryService entries;
    private final ArticleService articles;
    private final GapService gaps;
    private final AccountService accounts;
    private final BotService bots;

    EntryController(
            KnowledgeService knowledge,
            EntryService entries,
            ArticleService articles,
            GapService gaps,
            AccountService accounts,
            BotService bots) {
        this.articles = articles;
        this.gaps = gaps;
        this.accounts = accounts;
        this.bots = bots;
        this.knowledge = knowledge;
        this.entries = entries;
    }

    @GetMapping
    String list(
            @PathVariable String id, @RequestParam Map<String, String> parameters, HttpSession session, Model model) {
        Wanted wanted = Wanted.of(parameters);
        List<String> categories = entries.categories(id);
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("categories", categories);
        model.addAttribute(
                "listing",
                Listing.of("/knowledge/" + id, wanted, entries.entries(id, wanted))
                        .searched("Search questions and answers")
                        .filter("category", "Category", "every category", Option.of(categories))
                        .filter("team", "Team", "every team", Option.of(entries.teams(id)))
                        .filter("state", "State", "any state", STATES)
                        .ticked("/knowledge/" + id + "/entries/many")
                        .columns(
                                Column.sorted("Question", "title"),
                                Column.sorted("Category", "category"),
                                Column.plain("Phrasings").number(),
                                Column.sorted("Changed", "updated")));
        boolean canRestore = session.getAttribute(DELETED) instanceof StoredEntry entry
                && entry.collection().equals(id);
        model.addAttribute("canRestore", canRestore);
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "knowledge/entries";
    }

    /** @param gap of {@code bot}, whose wordings begin the entry */
    @GetMapping("/entries/new")
    String blank(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String question,
            @RequestParam(defaultValue = "") String bot,
            @RequestParam(defaultValue = "") String gap,
            Model model) {
        String wordings =
                gaps.find(bot, gap).map(of -> String.join("\n", of.wordings())).orElse(question);
        model.addAttribute("bot", bot);
        return form(id, "", EntryDraft.of(wordings, ""), Map.of(), model);
    }

    @PostMapping("/entries")
    String add(
            @PathVariable String id,
            @ModelAttribute EntryForm form,
            StandingForm standing,
            TiesForm ties,
            @RequestParam(defaultValue = "") String then,
            @RequestParam(defaultValue = "") String bot,
            Model model,
            RedirectAttributes flash) {
        EntryDraft draft = form.draft(standing, ties);
        if (entries.add(id, draft) instanceof Checked.Bad<String> bad) {
            model.addAttribute("bot", bot);
            return form(id, "", draft, bad.errors(), model);
        }
        if (bot.matches("[a-z0-9]{1,32}")) {
            flash.addFlashAttribute("again", gaps.askAgain(bot));
            return "redirect:/bots/" + bot + "/knowledge#gaps";
        }
        flash.addFlashAttribute("saved", true);
        return then.equals("another") ? "redirect:/knowledge/" + id + "/entries/new" : "redirect:/knowledge/" + id;
    }

    /** The entry of a ref, or the collection where it is no longer there. */
    @GetMapping("/by-ref")
    String byRef(@PathVariable String id, @RequestParam(defaultValue = "") String ref) {
        return entries.byRef(id, ref)
                .map(stored -> "redirect:/knowledge/" + id + "/entries/" + stored.id())
                .orElse("redirect:/knowledge/" + id);
    }

    @GetMapping("/entries/{entry}")
    String entry(@PathVariable String id, @PathVariable String entry, Model model) {
        StoredEntry stored = entries.entry(entry);
        return form(stored.collection(), entry, EntryDraft.of(stored.entry()), Map.of(), model);
    }

    @PostMapping("/entries/{entry}")
    String change(
            @PathVariable String id,
            @PathVariable String entry,
            @ModelAttribute EntryForm form,
            StandingForm standing,
            TiesForm ties,
            Model model,
            RedirectAttributes flash) {
        EntryDraft draft = form.draft(standing, ties);
        if (entries.change(entry, draft) instanceof Checked.Bad<String> bad) {
            return form(id, entry, draft, bad.errors(), model);
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/knowledge/" + id;
    }

    /** @param act {@code publish}, {@code draft} or {@code categorise} */
    @PostMapping("/entries/many")
    String many(
            @PathVariable String id,
            @RequestParam(defaultValue = "") List<String> chosen,
            @RequestParam String act,
            @RequestParam(defaultValue = "") String to,
            RedirectAttributes flash) {
        EntryService.Many many = act.equals("categorise")
                ? new EntryService.Many.Categorise(Length.CATEGORY.cut(to.strip()))
                : new EntryService.Many.Publish(!act.equals("draft"));
        flash.addFlashAttribute("changed", entries.changeMany(id, chosen, many));
        return "redirect:/knowledge/" + id;
    }

    /** Adds a question that was tried out as a phrasing of an entry. */
    @PostMapping("/phrasing")
    String phrasing(
            @PathVariable String id,
            @RequestParam String ref,
            @RequestParam String question,
            RedirectAttributes flash) {
        flash.addFlashAttribute("taught", entries.addPhrasing(id, ref, question) ? question : "");
        return "redirect:/knowledge/" + id;
    }

    @PostMapping("/entries/{entry}/delete")
    String delete(@PathVariable String id, @PathVariable String entry, HttpSession session) {
        session.setAttribute(DELETED, entries.delete(entry));
        return "redirect:/knowledge/" + id;
    }

    @PostMapping("/restore")
    String restore(@PathVariable String id, HttpSession session) {
        if (session.getAttribute(DELETED) instanceof StoredEntry entry) {
            entries.restore(entry);
            session.removeAttribute(DELETED);
        }
        return "redirect:/knowledge/" + id;
    }

    /** The names of all flows of all bots, each once. */
    private List<String> flowNames() {
        return bots.bots().stream()
                .flatMap(bot -> bots.drafts(bot.id()).stream())
                .map(draft -> draft.flow().name())
                .distinct()
                .sorted()
                .toList();
    }

    private String form(String id, String entry, EntryDraft draft, Map<String, String> errors, Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("entry", entry);
        model.addAttribute("phrasings", draft.phrasings());
        model.addAttribute("answers", draft.answers());
        model.addAttribute("category", draft.category());
        model.addAttribute("standing", StandingForm.of(draft.standing()));
        model.addAttribute("ties", TiesForm.of(draft.ties()));
        model.addAttribute("articles", articles.all(id));
        model.addAttribute("teams", accounts.teams());
        model.addAttribute("flows", flowNames());
        model.addAttribute("categories", entries.categories(id));
        model.addAttribute("errors", errors);
        return "knowledge/entry";
    }
}
