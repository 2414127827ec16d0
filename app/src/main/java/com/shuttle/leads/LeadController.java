package com.shuttle.leads;

import com.shuttle.appointments.Bookings;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.web.Access;
import com.shuttle.web.Csv;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Listing.Option;
import com.shuttle.web.Wanted;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The list of leads, and one with its conversation. */
@Controller
@Access(Access.Who.AGENT)
class LeadController {

    private final LeadService leads;
    private final Bookings bookings;
    private final BotService bots;
    private final ConversationService conversations;

    LeadController(LeadService leads, Bookings bookings, BotService bots, ConversationService conversations) {
        this.leads = leads;
        this.bookings = bookings;
        this.bots = bots;
        this.conversations = conversations;
    }

    @GetMapping("/leads")
    String list(@RequestParam Map<String, String> parameters, Model model) {
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute(
                "listing",
                Listing.of("/leads", wanted, leads.list(wanted))
                        .searched("Search name, email, phone")
                        .filter("bot", "Bot", "every bot", Option.of(bots.bots(), Bot::id, Bot::name))
                        .savable()
                        .columns(
                                Column.sorted("Name", "name"),
                                Column.plain("Email"),
                                Column.plain("Phone"),
                                Column.plain("Bot"),
                                Column.sorted("Conversations", "conversations").number(),
                                Column.sorted("Last heard", "last")));
        model.addAttribute("botNames", botNames());
        return "leads/list";
    }

    @GetMapping("/leads.csv")
    ResponseEntity<StreamingResponseBody> csv(@RequestParam Map<String, String> parameters) {
        Wanted wanted = Wanted.of(parameters);
        Map<String, String> names = botNames();
        return Csv.saved(
                "Leads.csv",
                List.of("name", "email", "phone", "bot", "conversations", "first heard", "last heard"),
                page -> leads.list(wanted.at(page)),
                lead -> List.of(
                        lead.name(),
                        lead.email(),
                        lead.phone(),
                        names.getOrDefault(lead.bot(), ""),
                        String.valueOf(lead.conversations()),
                        lead.firstAt().toString(),
                        lead.lastAt().toString()));
    }

    @GetMapping("/leads/{id}")
    String lead(@PathVariable String id, Model model) {
        Lead lead = leads.lead(id);
        model.addAttribute("lead", lead);
        model.addAttribute("botName", botNames().getOrDefault(lead.bot(), ""));
        model.addAttribute("lines", conversations.lines(lead.conversation(), 0));
        model.addAttribute("known", conversations.known(lead.conversation()));
        model.addAttribute("bookings", bookings.of(lead.conversation(), lead.email()));
        return "leads/lead";
    }

    private Map<String, String> botNames() {
        return bots.bots().stream().collect(Collectors.toMap(Bot::id, Bot::name));
    }
}
