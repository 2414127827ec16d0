package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.web.Access;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The list of leads, and one with its conversation. */
@Controller
@Access(Access.Who.AGENT)
class LeadController {

    private final LeadService leads;
    private final BotService bots;
    private final ConversationService conversations;

    LeadController(LeadService leads, BotService bots, ConversationService conversations) {
        this.leads = leads;
        this.bots = bots;
        this.conversations = conversations;
    }

    @GetMapping("/leads")
    String list(
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String bot,
            @RequestParam(defaultValue = "latest") String sort,
            @RequestParam(defaultValue = "1") int page,
            Model model) {
        model.addAttribute("leads", leads.list(q, bot, sort, page));
        model.addAttribute("bots", bots.bots());
        model.addAttribute("botNames", botNames());
        model.addAttribute("q", q);
        model.addAttribute("bot", bot);
        model.addAttribute("sort", sort);
        return "leads/list";
    }

    @GetMapping("/leads/{id}")
    String lead(@PathVariable String id, Model model) {
        Lead lead = leads.lead(id);
        model.addAttribute("lead", lead);
        model.addAttribute("botName", botNames().getOrDefault(lead.bot(), ""));
        model.addAttribute("lines", conversations.lines(lead.conversation(), 0));
        model.addAttribute("known", conversations.known(lead.conversation()));
        return "leads/lead";
    }

    private Map<String, String> botNames() {
        return bots.bots().stream().collect(Collectors.toMap(Bot::id, Bot::name));
    }
}
