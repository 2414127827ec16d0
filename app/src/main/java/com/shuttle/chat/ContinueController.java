package com.shuttle.chat;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.web.Access;
import com.shuttle.web.Missing;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Where a visitor goes on in a conversation that they left. Opening it changes nothing. */
@Controller
@Access(Access.Who.EVERYBODY)
class ContinueController {

    private final ReturnLinks links;
    private final ConversationService conversations;
    private final BotService bots;

    ContinueController(ReturnLinks links, ConversationService conversations, BotService bots) {
        this.links = links;
        this.conversations = conversations;
        this.bots = bots;
    }

    @GetMapping("/continue/{conversation}/{until}/{signature}")
    String show(
            @PathVariable String conversation,
            @PathVariable String until,
            @PathVariable String signature,
            Model model,
            HttpServletResponse response) {
        boolean good = until.matches("\\d{1,12}") && links.good(conversation, Long.parseLong(until), signature);
        try {
            Bot bot = good ? bots.bot(conversations.conversation(conversation).bot()) : null;
            model.addAttribute("bot", bot);
            model.addAttribute("conversation", conversation);
            model.addAttribute("key", good ? links.key(Long.parseLong(until), signature) : "");
        } catch (Missing erased) {
            model.addAttribute("bot", null);
        }
        response.setStatus(model.getAttribute("bot") == null ? 404 : 200);
        return "chat/continue";
    }
}
