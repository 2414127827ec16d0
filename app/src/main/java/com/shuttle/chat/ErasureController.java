package com.shuttle.chat;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Wanted;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Where conversations are found and erased, and for how long they are kept; for administrators. */
@Controller
@Access(Access.Who.ADMINISTRATOR)
@RequestMapping(ErasureController.PATH)
class ErasureController {

    static final String PATH = "/settings/conversations";

    private final ErasureService erasure;
    private final BotService bots;
    private final AccountService accounts;

    ErasureController(ErasureService erasure, BotService bots, AccountService accounts) {
        this.erasure = erasure;
        this.bots = bots;
        this.accounts = accounts;
    }

    @GetMapping
    String conversations(@RequestParam Map<String, String> parameters, Model model) {
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute(
                "listing",
                Listing.of(PATH, wanted, erasure.search(wanted))
                        .searched("Name, email or words")
                        .ticked(PATH + "/erase")
                        .columns(
                                Column.plain("Visitor"),
                                Column.plain("Bot"),
                                Column.plain("Last words"),
                                Column.plain("Last heard")));
        model.addAttribute("botNames", bots.bots().stream().collect(Collectors.toMap(Bot::id, Bot::name)));
        model.addAttribute(
                "people", accounts.accounts().stream().collect(Collectors.toMap(Account::id, Account::name)));
        model.addAttribute("erased", erasure.erased());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
            model.addAttribute("days", erasure.days() == 0 ? "" : erasure.days());
        }
        return "chat/conversations";
    }

    @PostMapping("/erase")
    String erase(
            @RequestParam(defaultValue = "") List<String> chosen,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        erasure.eraseAll(chosen, person.account().id());
        flash.addFlashAttribute("done", chosen.size());
        return "redirect:" + PATH;
    }

    @PostMapping("/kept")
    String keepFor(@RequestParam(defaultValue = "") String days, RedirectAttributes flash) {
        if (erasure.keepFor(days) instanceof Checked.Bad<Integer> bad) {
            flash.addFlashAttribute("errors", bad.errors());
            flash.addFlashAttribute("days", days);
        } else {
            flash.addFlashAttribute("kept", true);
        }
        return "redirect:" + PATH;
    }
}
