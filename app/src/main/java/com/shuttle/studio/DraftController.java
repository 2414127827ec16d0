package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.releases.DraftLinks;
import com.shuttle.studio.RehearsalController.Told;
import com.shuttle.studio.RehearsalController.View;
import com.shuttle.web.Access;
import com.shuttle.web.Buckets;
import com.shuttle.web.Callers;
import com.shuttle.web.Missing;
import com.shuttle.web.MostBytes;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Instant;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;

/** A bot's draft for whoever has a link to it: talked to as in a rehearsal, without its working, calling nothing outside. */
@Controller
@Access(Access.Who.EVERYBODY)
@RequestMapping(DraftLinks.PATH + "{id}/{until}/{signature}")
@MostBytes(MostBytes.MESSAGE)
class DraftController {

    private static final int PER_MINUTE = 60;
    private static final String POLICY =
            "default-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'none'; "
                    + "form-action 'self'; frame-ancestors 'self'";

    private final BotService bots;
    private final DraftLinks links;
    private final RehearsalController rehearsal;
    private final Buckets callers = new Buckets(PER_MINUTE);

    DraftController(BotService bots, DraftLinks links, RehearsalController rehearsal) {
        this.bots = bots;
        this.links = links;
        this.rehearsal = rehearsal;
    }

    /** @throws Missing if the link is none, or its time has come */
    private Bot enter(String id, String until, String signature) {
        if (!links.holds(id, until, signature)) {
            throw new Missing("draft", id);
        }
        return bots.find(id).orElseThrow(() -> new Missing("draft", id));
    }

    @GetMapping
    String page(
            @PathVariable String id,
            @PathVariable String until,
            @PathVariable String signature,
            Model model,
            HttpServletResponse response) {
        response.setHeader("Content-Security-Policy", POLICY);
        model.addAttribute("bot", enter(id, until, signature));
        model.addAttribute("until", Instant.ofEpochSecond(Long.parseLong(until)));
        model.addAttribute("base", DraftLinks.PATH + id + "/" + until + "/" + signature);
        return "studio/draft";
    }

    /** Nothing outside is called, whatever is asked for. */
    private static Told safe(Told asked) {
        return new Told(asked.rehearsal(), asked.text(), asked.pick(), asked.goOn(), null, null, null);
    }

    private boolean tooMany(HttpServletRequest request) {
        return !callers.take(Callers.of(request));
    }

    @PostMapping
    ResponseEntity<View> begin(
            @PathVariable String id,
            @PathVariable String until,
            @PathVariable String signature,
            @RequestBody Told asked,
            HttpServletRequest request) {
        enter(id, until, signature);
        return tooMany(request)
                ? ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS).build()
                : ResponseEntity.ok(rehearsal.begin(id, safe(asked)).bare());
    }

    @PostMapping("/turns")
    ResponseEntity<View> tell(
            @PathVariable String id,
            @PathVariable String until,
            @PathVariable String signature,
            @RequestBody Told asked,
            HttpServletRequest request) {
        enter(id, until, signature);
        if (tooMany(request)) {
            return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS).build();
        }
        ResponseEntity<View> told = rehearsal.tell(id, safe(asked));
        View view = told.getBody();
        return view == null ? told : ResponseEntity.status(told.getStatusCode()).body(view.bare());
    }
}
