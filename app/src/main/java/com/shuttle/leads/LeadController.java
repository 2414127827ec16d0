package com.shuttle.leads;

import com.shuttle.leads.LeadColumns.Of;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Wanted;
import jakarta.servlet.http.HttpSession;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The list of leads, with what is done to many at once. */
@Controller
@Access(Access.Who.AGENT)
class LeadController {

    private static final String COLUMNS = "leads.columns";
    private static final int MOST_AT_ONCE = 1000;

    private final LeadList list;
    private final LeadColumns columns;
    private final LeadFiles files;
    private final LeadService leads;
    private final LeadSetUp setUp;
    private final AccountService accounts;

    LeadController(
            LeadList list,
            LeadColumns columns,
            LeadFiles files,
            LeadService leads,
            LeadSetUp setUp,
            AccountService accounts) {
        this.list = list;
        this.columns = columns;
        this.files = files;
        this.leads = leads;
        this.setUp = setUp;
        this.accounts = accounts;
    }

    @GetMapping("/leads")
    String list(@RequestParam Map<String, String> parameters, HttpSession session, Model model) {
        Wanted wanted = Wanted.of(parameters);
        String keys = Objects.toString(session.getAttribute(COLUMNS), LeadColumns.USUAL);
        List<Of> chosen = columns.chosen(keys);
        model.addAttribute("listing", list.listing(wanted, chosen));
        model.addAttribute("chosen", chosen);
        model.addAttribute("chosenKeys", chosen.stream().map(Of::key).collect(Collectors.toSet()));
        model.addAttribute("every", columns.all());
        model.addAttribute("any", list.any());
        model.addAttribute("states", setUp.states());
        model.addAttribute("accounts", accounts.accounts());
        model.addAttribute("teams", accounts.teams());
        model.addAttribute("query", query(wanted));
        return "leads/list";
    }

    /** The same list as a file: what stands after the question mark of its address. */
    private static String query(Wanted wanted) {
        String address = com.shuttle.web.Listing.address("", wanted.at(1));
        int mark = address.indexOf('?');
        return mark < 0 ? "" : address.substring(mark);
    }

    /** Which columns somebody sees from now on. */
    @PostMapping("/leads/columns")
    String columns(@RequestParam(name = "column", defaultValue = "") List<String> wanted, HttpSession session) {
        Set<String> known = columns.all().stream().map(Of::key).collect(Collectors.toSet());
        session.setAttribute(COLUMNS, wanted.stream().filter(known::contains).collect(Collectors.joining(",")));
        return "redirect:/leads";
    }

    @PostMapping("/leads/many")
    String many(
            @RequestParam(name = "chosen", defaultValue = "") List<String> chosen,
            @RequestParam(name = "do", defaultValue = "") String act,
            @RequestParam(defaultValue = "") String state,
            @RequestParam(defaultValue = "") String owner,
            @RequestParam(defaultValue = "") String tag,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        List<String> ids = chosen.stream().limit(MOST_AT_ONCE).toList();
        String account = person.account().id();
        for (String id : ids) {
            if (leads.find(id).isEmpty()) {
                continue;
            }
            switch (act) {
                case "state" -> leads.move(id, "", state, account);
                case "owner" -> own(id, owner, account);
                case "tag" -> leads.addTag(id, tag, account);
                default -> {}
            }
        }
        flash.addFlashAttribute(
                "said",
                ids.isEmpty()
                        ? "Tick the leads first."
                        : ids.size() == 1 ? "Done with one." : "Done with " + ids.size() + ".");
        return "redirect:/leads";
    }

    /** @param owner id of an account, {@code team:} with a team's for the next of it, or nothing for nobody */
    private void own(String id, String owner, String account) {
        if (owner.startsWith("team:")) {
            leads.ownInTurn(id, owner.substring(5), account);
        } else if (owner.isEmpty() || accounts.account(owner).isPresent()) {
            leads.own(id, owner, account);
        }
    }

    @GetMapping("/leads.csv")
    ResponseEntity<StreamingResponseBody> csv(@RequestParam Map<String, String> parameters) {
        return files.csv(Wanted.of(parameters));
    }

    @GetMapping("/leads.xlsx")
    ResponseEntity<StreamingResponseBody> xlsx(@RequestParam Map<String, String> parameters) {
        return files.xlsx(Wanted.of(parameters));
    }

    @GetMapping("/leads.vcf")
    ResponseEntity<StreamingResponseBody> cards(@RequestParam Map<String, String> parameters) {
        return files.cards(Wanted.of(parameters));
    }
}
