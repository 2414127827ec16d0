package com.shuttle.leads;

import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** Leads by their state, each of which can be given another. */
@Controller
@Access(Access.Who.AGENT)
class BoardController {

    private final LeadBoard board;
    private final LeadSetUp setUp;
    private final LeadService leads;
    private final Segments segments;

    BoardController(LeadBoard board, LeadSetUp setUp, LeadService leads, Segments segments) {
        this.board = board;
        this.setUp = setUp;
        this.leads = leads;
        this.segments = segments;
    }

    @GetMapping("/leads/board")
    String board(@RequestParam(defaultValue = "") String segment, Model model) {
        Segment in = segments.find(segment).orElse(Segment.EVERYBODY);
        model.addAttribute("columns", board.columns(in));
        model.addAttribute("segments", segments.all());
        model.addAttribute("segment", in);
        model.addAttribute("any", board.any());
        return "leads/board";
    }

    /** What became of a card that was moved. @param state that it is in now @param words to tell whoever moved it */
    record Told(boolean moved, String state, String words) {}

    @ResponseBody
    @PostMapping("/leads/{id}/state")
    ResponseEntity<Told> move(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String from,
            @RequestParam String to,
            @AuthenticationPrincipal SignedIn person) {
        LeadService.Moved moved = leads.move(id, from, to, person.account().id());
        String name = setUp.state(moved.lead().state()).name();
        String words = moved.moved()
                ? moved.lead().called() + " is in “" + name + "”."
                : "Somebody else has moved " + moved.lead().called() + " to “" + name + "” meanwhile.";
        return ResponseEntity.status(moved.moved() ? 200 : 409)
                .body(new Told(moved.moved(), moved.lead().state(), words));
    }
}
