package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.format.DateTimeParseException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** One lead: what is known of them and how it came about, and what is done with them. */
@Controller
@Access(Access.Who.AGENT)
@RequestMapping("/leads/{id}")
class PersonController {

    private static final LocalTime MORNING = LocalTime.of(9, 0);

    private final LeadService leads;
    private final LeadPage page;
    private final LeadList list;
    private final LeadSetUp setUp;
    private final Merging merging;
    private final Tasks tasks;
    private final PersonErasure erasure;
    private final AccountService accounts;
    private final BotService bots;
    private final ConversationService conversations;

    PersonController(
            LeadService leads,
            LeadPage page,
            LeadList list,
            LeadSetUp setUp,
            Merging merging,
            Tasks tasks,
            PersonErasure erasure,
            AccountService accounts,
            BotService bots,
            ConversationService conversations) {
        this.leads = leads;
        this.page = page;
        this.list = list;
        this.setUp = setUp;
        this.merging = merging;
        this.tasks = tasks;
        this.erasure = erasure;
        this.accounts = accounts;
        this.bots = bots;
        this.conversations = conversations;
    }

    @GetMapping
    String lead(@PathVariable String id, Model model) {
        Person person = leads.person(id);
        model.addAttribute("view", page.of(person));
        model.addAttribute("states", setUp.states());
        model.addAttribute("accounts", accounts.accounts());
        model.addAttribute("teams", accounts.teams());
        if (!person.conversation().isEmpty()) {
            model.addAttribute("lines", conversations.lines(person.conversation(), 0));
        }
        keepErrors(model);
        return "leads/lead";
    }

    @PostMapping
    String edit(
            @PathVariable String id,
            @RequestParam Map<String, String> form,
            @AuthenticationPrincipal SignedIn by,
            RedirectAttributes flash) {
        Person person = leads.person(id);
        int version = form.getOrDefault("version", "").matches("\\d{1,9}") ? Integer.parseInt(form.get("version")) : -1;
        String region = bots.find(person.bot())
                .or(() -> bots.bots().stream().findFirst())
                .map(Bot::region)
                .orElse("");
        Map<String, String> wanted = new HashMap<>();
        setUp.fields().forEach(field -> {
            String written = form.get("value." + field.id());
            if (written != null) {
                wanted.put(field.id(), written);
            }
        });
        switch (leads.edit(id, version, wanted, region, by.account().id())) {
            case Checked.Bad<Person> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("kept", wanted);
            }
            case Checked.Good<Person> good -> {
                leads.tag(id, form.getOrDefault("tags", ""), by.account().id());
                flash.addFlashAttribute("said", "Kept.");
            }
        }
        return back(id);
    }

    @PostMapping("/work")
    String work(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String state,
            @RequestParam(defaultValue = "") String owner,
            @AuthenticationPrincipal SignedIn by) {
        String account = by.account().id();
        leads.move(id, "", state, account);
        if (owner.startsWith("team:")) {
            leads.ownInTurn(id, owner.substring(5), account);
        } else if (owner.isEmpty() || accounts.account(owner).isPresent()) {
            leads.own(id, owner, account);
        }
        return back(id);
    }

    @PostMapping("/notes")
    String note(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String words,
            @AuthenticationPrincipal SignedIn by,
            RedirectAttributes flash) {
        if (leads.note(id, words, by.account().id()) instanceof Checked.Bad<String>(Map<String, String> errors)) {
            flash.addFlashAttribute("errors", errors);
        }
        return back(id);
    }

    @PostMapping("/tasks")
    String task(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "") String due,
            @RequestParam(defaultValue = "") String who,
            @AuthenticationPrincipal SignedIn by,
            RedirectAttributes flash) {
        leads.person(id);
        boolean team = who.startsWith("team:");
        Checked<LeadTask> added = tasks.add(
                id,
                words,
                morning(due),
                team ? "" : who,
                team ? who.substring(5) : "",
                by.account().id());
        if (added instanceof Checked.Bad<LeadTask>(Map<String, String> errors)) {
            flash.addFlashAttribute("errors", errors);
        }
        return back(id);
    }

    private static @Nullable Instant morning(String day) {
        try {
            return LocalDate.parse(day).atTime(MORNING).toInstant(ZoneOffset.UTC);
        } catch (DateTimeParseException none) {
            return null;
        }
    }

    @PostMapping("/events/{event}/undo")
    String undo(
            @PathVariable String id,
            @PathVariable String event,
            @AuthenticationPrincipal SignedIn by,
            RedirectAttributes flash) {
        String why = leads.undo(event, by.account().id());
        flash.addFlashAttribute("said", why.isEmpty() ? "Undone." : why);
        return back(id);
    }

    /** Looks for somebody whom to merge with, and shows what would become of each field. */
    @GetMapping("/merge")
    String merging(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String other,
            Model model) {
        Person person = leads.person(id);
        model.addAttribute("person", person);
        model.addAttribute("q", q);
        model.addAttribute(
                "found",
                q.isBlank()
                        ? List.of()
                        : list.page(Wanted.of(Map.of("q", q))).items().stream()
                                .filter(one -> !one.id().equals(id))
                                .toList());
        leads.find(other).filter(one -> !one.id().equals(id)).ifPresent(one -> {
            model.addAttribute("other", one);
            model.addAttribute("becomes", merging.preview(person, one, setUp.own()));
        });
        return "leads/merge";
    }

    @PostMapping("/merge")
    String merge(
            @PathVariable String id,
            @RequestParam String other,
            @AuthenticationPrincipal SignedIn by,
            RedirectAttributes flash) {
        leads.merge(id, other, by.account().id());
        flash.addFlashAttribute("said", "They are one now. It can be undone below, in the history.");
        return back(id);
    }

    @Access(Access.Who.DESIGNER)
    @PostMapping("/erase")
    String erase(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String sure,
            @AuthenticationPrincipal SignedIn by,
            RedirectAttributes flash) {
        if (!leads.person(id).called().equalsIgnoreCase(sure.strip())) {
            flash.addFlashAttribute("errors", Map.of("sure", "That is not the name. Nothing was erased."));
            return back(id);
        }
        erasure.erase(id, by.account().id());
        flash.addFlashAttribute("said", "They are erased everywhere.");
        return "redirect:/leads";
    }

    private static String back(String id) {
        return "redirect:/leads/" + id;
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        if (!model.containsAttribute("kept")) {
            model.addAttribute("kept", Map.of());
        }
    }
}
