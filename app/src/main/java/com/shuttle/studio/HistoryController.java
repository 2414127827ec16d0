package com.shuttle.studio;

import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.bots.HistoryService;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The history of a flow: who did what and when, comparing two points of it, going back to one. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/flows/{flow}")
class HistoryController {

    private final HistoryService history;
    private final BotService bots;
    private final AccountService accounts;
    private final BotFrame frame;

    HistoryController(HistoryService history, BotService bots, AccountService accounts, BotFrame frame) {
        this.history = history;
        this.bots = bots;
        this.accounts = accounts;
        this.frame = frame;
    }

    @GetMapping("/history")
    String history(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestParam(defaultValue = "1") int page,
            Model model) {
        model.addAttribute("bot", bots.bot(id));
        model.addAttribute("draft", bots.draft(id, flow));
        model.addAttribute("edits", history.edits(id, flow, page));
        model.addAttribute(
                "people", accounts.accounts().stream().collect(Collectors.toMap(Account::id, Account::name)));
        return "studio/history :: history";
    }

    /** Two points of the history, step by step. */
    @GetMapping("/compare")
    String compare(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestParam int from,
            @RequestParam int to,
            Model model) {
        frame.fill(id, "flows", model);
        model.addAttribute("flow", bots.draft(id, flow).flow());
        model.addAttribute("from", Math.min(from, to));
        model.addAttribute("to", Math.max(from, to));
        model.addAttribute("changes", history.compare(id, flow, Math.min(from, to), Math.max(from, to)));
        return "studio/compare";
    }

    @PostMapping("/back")
    String back(
            @PathVariable String id,
            @PathVariable String flow,
            @RequestParam int edit,
            @AuthenticationPrincipal SignedIn person) {
        history.restore(id, flow, edit, person.account().id());
        return "redirect:/bots/" + id + "/flows/" + flow;
    }
}
