package com.shuttle.leads;

import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.settings.Team;
import com.shuttle.web.Access;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Listing.Option;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What is to be done about leads, soonest first. */
@Controller
@Access(Access.Who.AGENT)
class TasksController {

    private final Tasks tasks;
    private final AccountService accounts;
    private final InstantSource clock;

    TasksController(Tasks tasks, AccountService accounts, InstantSource clock) {
        this.tasks = tasks;
        this.accounts = accounts;
        this.clock = clock;
    }

    @GetMapping("/leads/tasks")
    String list(@RequestParam Map<String, String> parameters, @AuthenticationPrincipal SignedIn person, Model model) {
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute(
                "listing",
                Listing.of("/leads/tasks", wanted, tasks.list(wanted))
                        .searched("Search tasks and names")
                        .filter(
                                "whose",
                                "Whose",
                                "everybody's",
                                Option.of(
                                        accounts.accounts(),
                                        Account::id,
                                        one -> one.id().equals(person.account().id())
                                                ? "mine and my teams'"
                                                : one.name() + "’s"))
                        .filter("state", "State", "open", java.util.List.of(new Option("done", "done")))
                        .columns(
                                Column.plain("To do"),
                                Column.plain("About"),
                                Column.plain("Due"),
                                Column.plain("Who"),
                                Column.plain("")));
        Map<String, String> names = accounts.accounts().stream().collect(Collectors.toMap(Account::id, Account::name));
        accounts.teams().forEach(team -> names.put(team.id(), "anybody of " + team.name()));
        model.addAttribute("names", names);
        model.addAttribute("teams", accounts.teams().stream().map(Team::name).toList());
        model.addAttribute("now", clock.instant());
        return "leads/tasks";
    }

    /** @param back where to go on; a page of leads */
    @PostMapping("/leads/tasks/{task}")
    String mark(
            @PathVariable String task,
            @RequestParam(defaultValue = "false") boolean done,
            @RequestParam(defaultValue = "") String back,
            @AuthenticationPrincipal SignedIn person) {
        LeadTask marked = tasks.mark(task, done, person.account().id());
        return back.equals("lead") ? "redirect:/leads/" + marked.person() : "redirect:/leads/tasks";
    }
}
