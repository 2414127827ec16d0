package com.shuttle.followups;

import com.shuttle.leads.LeadService;
import com.shuttle.web.Access;
import com.shuttle.web.Buckets;
import com.shuttle.web.Callers;
import com.shuttle.web.MostBytes;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;

/**
 * Where somebody ends mails to them. Opening the page changes nothing, so that a scanner of mails ends none; posting to it does,
 * with the button or as RFC 8058 has mail programs do it.
 */
@Controller
@Access(Access.Who.EVERYBODY)
@RequestMapping("/stop/{person}/{signature}")
@MostBytes(MostBytes.FEW_LINES)
class StopController {

    private static final int MOST = 30;

    private final Writing writing;
    private final LeadService leads;
    private final Buckets buckets = new Buckets(MOST);

    StopController(Writing writing, LeadService leads) {
        this.writing = writing;
        this.leads = leads;
    }

    @GetMapping
    String ask(@PathVariable String person, @PathVariable String signature, Model model, HttpServletResponse response) {
        boolean right = writing.stops(person, signature);
        response.setStatus(right ? 200 : 404);
        model.addAttribute("state", right ? "ask" : "wrong");
        return "leads/stop";
    }

    @PostMapping
    String stop(
            @PathVariable String person,
            @PathVariable String signature,
            Model model,
            HttpServletRequest request,
            HttpServletResponse response) {
        if (!buckets.take(Callers.of(request))) {
            response.setStatus(429);
            model.addAttribute("state", "often");
        } else if (!writing.stops(person, signature)) {
            response.setStatus(404);
            model.addAttribute("state", "wrong");
        } else {
            // Somebody who is not there any more gets none either.
            leads.stopMail(person, "unsubscribed");
            model.addAttribute("state", "done");
        }
        return "leads/stop";
    }
}
