package com.shuttle.panel;

import com.shuttle.bots.Bot;
import com.shuttle.web.Access;
import com.shuttle.web.Missing;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The panel's script, and the chat as it stands in its frame. */
@Controller
@Access(Access.Who.EVERYBODY)
class PanelPageController {

    private static final String POLICY =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; "
                    + "form-action 'self'; frame-ancestors ";

    private final Sites sites;
    private final Speaking speaking;
    private final String script = joined();

    PanelPageController(Sites sites, Speaking speaking) {
        this.sites = sites;
        this.speaking = speaking;
    }

    /** The one script that a website includes. */
    @GetMapping("/panel.js")
    ResponseEntity<String> script() {
        return ResponseEntity.ok()
                .cacheControl(CacheControl.maxAge(5, TimeUnit.MINUTES).cachePublic())
                .contentType(MediaType.valueOf("text/javascript;charset=UTF-8"))
                .body(script);
    }

    /**
     * Its parts in one function. They do nothing where there is a panel already, in a frame, or where the tag is no plain script,
     * and keep no comments.
     */
    private static String joined() {
        String parts = Stream.of("known", "look", "inside", "talk", "speak", "enter")
                .map(part -> text(new ClassPathResource("static/js/panel/" + part + ".js")))
                .flatMap(String::lines)
                .map(String::strip)
                .filter(line -> !line.isEmpty() && !line.startsWith("//") && !line.startsWith("/**"))
                .collect(Collectors.joining("\n"));
        return "if (document.currentScript && !window.Shuttle && window.top === window) (() => {\n" + parts
                + "\n})();\n";
    }

    private static String text(Resource resource) {
        try {
            return resource.getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The chat with a bot for the frame of one website; browsers show it on no other. */
    @GetMapping("/panel/{site}/{slug}")
    String frame(@PathVariable String site, @PathVariable String slug, Model model, HttpServletResponse response) {
        Site there = sites.site(site).orElseThrow(() -> new Missing("site", site));
        List<Bot> shown =
                speaking.shown(there).stream().map(Speaking.Shown::bot).toList();
        // Whoever talked to one that no longer shows is led to the one that does.
        Bot bot = shown.stream()
                .filter(one -> one.slug().equals(slug))
                .findFirst()
                .or(() -> shown.stream().findFirst())
                .orElseThrow(() -> new Missing("bot", slug));
        String origins = String.join(" ", there.addresses());
        response.setHeader("Content-Security-Policy", POLICY + origins);
        model.addAttribute("bot", bot);
        model.addAttribute("origins", origins);
        return "chat/page";
    }
}
