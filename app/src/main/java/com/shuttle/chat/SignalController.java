package com.shuttle.chat;

import com.shuttle.core.reading.Words;
import com.shuttle.web.Access;
import com.shuttle.web.Buckets;
import com.shuttle.web.Callers;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Vault;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Signals from outside that conversations wait for. The address is signed for one conversation and one waiting; opening it
 * shows a page with a button, and only posting to it brings the signal, so that a mail program that looks at links brings
 * none.
 */
@Controller
@Access(Access.Who.EVERYBODY)
@RequestMapping("/signal/{conversation}/{key}/{signature}")
@MostBytes(MostBytes.FEW_LINES)
class SignalController {

    /** Signals from one address in a minute. */
    private static final int MOST = 60;

    private static final int LONGEST = 1000;

    /** Of what a program brings, in bytes. */
    private static final int LARGEST = 16_384;

    private final ConversationService conversations;
    private final Vault vault;
    private final Buckets buckets = new Buckets(MOST);

    SignalController(ConversationService conversations, Vault vault) {
        this.conversations = conversations;
        this.vault = vault;
    }

    /** The path that brings a signal. */
    static String path(Vault vault, String conversation, String key) {
        return "/signal/" + conversation + "/" + key + "/" + vault.sign(conversation + "/" + key);
    }

    @GetMapping
    String show(
            @PathVariable String conversation,
            @PathVariable String key,
            @PathVariable String signature,
            Model model,
            HttpServletResponse response) {
        boolean right = vault.signed(conversation + "/" + key, signature);
        response.setStatus(right ? 200 : 404);
        model.addAttribute("state", right ? "ask" : "wrong");
        return "chat/signal";
    }

    @PostMapping
    String bring(
            @PathVariable String conversation,
            @PathVariable String key,
            @PathVariable String signature,
            @RequestParam(defaultValue = "") String text,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (!buckets.take(Callers.of(request))) {
            response.setStatus(429);
            model.addAttribute("state", "often");
        } else if (!vault.signed(conversation + "/" + key, signature)) {
            response.setStatus(404);
            model.addAttribute("state", "wrong");
        } else {
            String clean = Words.clean(text);
            String fit = clean.substring(0, Math.min(LONGEST, clean.length()));
            Outcome outcome = conversations.signal(conversation, key, fit, null);
            boolean taken = outcome instanceof Outcome.Taken;
            response.setStatus(taken ? 200 : 409);
            model.addAttribute("state", taken ? "came" : "late");
        }
        return "chat/signal";
    }

    /** What became of a signal that a program brought. @param taken whether something waited for it */
    record Brought(boolean taken, String words) {}

    /** A program brings values: the address is signed, so that whoever has it may. */
    @ResponseBody
    @PostMapping(consumes = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<Brought> bringValues(
            @PathVariable String conversation,
            @PathVariable String key,
            @PathVariable String signature,
            @RequestBody byte[] sent,
            HttpServletRequest request) {
        if (!buckets.take(Callers.of(request))) {
            return ResponseEntity.status(429).body(new Brought(false, "Too many at once."));
        }
        if (!vault.signed(conversation + "/" + key, signature)) {
            return ResponseEntity.status(404).body(new Brought(false, "This address is not right."));
        }
        Optional<ObjectNode> body = object(sent);
        if (body.isEmpty()) {
            return ResponseEntity.badRequest().body(new Brought(false, "A JSON object of 16 kB at most is needed."));
        }
        boolean taken = conversations.signal(conversation, key, "", body.get()) instanceof Outcome.Taken;
        return ResponseEntity.status(taken ? 200 : 409)
                .body(new Brought(taken, taken ? "" : "Nothing waits for this any more."));
    }

    private static Optional<ObjectNode> object(byte[] sent) {
        try {
            return sent.length <= LARGEST && JsonMapper.shared().readTree(sent) instanceof ObjectNode object
                    ? Optional.of(object)
                    : Optional.empty();
        } catch (JacksonException none) {
            return Optional.empty();
        }
    }
}
