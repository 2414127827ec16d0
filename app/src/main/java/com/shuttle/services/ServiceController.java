package com.shuttle.services;

import com.shuttle.bots.FlowUses;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.Service;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Listing;
import com.shuttle.web.Wanted;
import jakarta.servlet.http.HttpSession;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The list of services, and one as it is written, tried out and published. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/services")
class ServiceController {

    private static final String DELETED = "service.deleted";

    private final Catalogue catalogue;
    private final Calls calls;
    private final History past;
    private final FlowUses uses;

    ServiceController(Catalogue catalogue, Calls calls, History past, FlowUses uses) {
        this.catalogue = catalogue;
        this.calls = calls;
        this.past = past;
        this.uses = uses;
    }

    /** A service in the list. */
    public record Line(StoredService stored, String connection, List<?> uses) {}

    @GetMapping
    String list(@RequestParam Map<String, String> parameters, HttpSession session, Model model) {
        Wanted wanted = Wanted.of(parameters);
        List<Connection> connections = catalogue.connections();
        var page = catalogue
                .services(wanted)
                .map(stored -> new Line(
                        stored,
                        connections.stream()
                                .filter(one -> one.id().equals(stored.connection()))
                                .map(Connection::name)
                                .findFirst()
                                .orElse(""),
                        uses.of(stored.id())));
        model.addAttribute(
                "listing",
                Listing.of("/services", wanted, page)
                        .searched("Search names")
                        .columns(
                                Listing.Column.sorted("Service", "name"),
                                Listing.Column.plain("At"),
                                Listing.Column.plain("State"),
                                Listing.Column.plain("Used by"),
                                Listing.Column.sorted("Changed", "changed")));
        model.addAttribute("connections", connections);
        model.addAttribute("deleted", session.getAttribute(DELETED));
        keepErrors(model);
        return "services/services";
    }

    @PostMapping
    String create(
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String connection,
            RedirectAttributes flash) {
        return switch (catalogue.create(name, connection)) {
            case Checked.Good<String>(String id) -> "redirect:/services/" + id;
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("name", name);
                yield "redirect:/services";
            }
        };
    }

    @GetMapping("/{id}")
    String service(@PathVariable String id, Model model) {
        StoredService stored = catalogue.service(id);
        keepErrors(model);
        @SuppressWarnings("unchecked")
        Map<String, String> errors = (Map<String, String>) model.getAttribute("errors");
        model.addAttribute("page", new ServicePage(stored, errors == null ? Map.of() : errors));
        model.addAttribute("connections", catalogue.connections());
        model.addAttribute("uses", uses.of(id));
        model.addAttribute("calls", past.calls(id));
        model.addAttribute("takenAway", catalogue.takenAway(stored));
        return "services/service";
    }

    /** @param form the service, with {@code do} for what is to be done besides keeping it: {@code try} or {@code publish} */
    @PostMapping("/{id}")
    String save(
            @PathVariable String id,
            @RequestParam Map<String, String> form,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        Service draft = ServiceForms.service(form);
        switch (catalogue.save(id, draft, form.getOrDefault("connection", ""))) {
            case Checked.Bad<StoredService> bad -> flash.addFlashAttribute("errors", bad.errors());
            case Checked.Good<StoredService>(StoredService saved) -> {
                switch (form.getOrDefault("do", "save")) {
                    case "try" -> tryOut(saved, flash);
                    case "publish" -> publish(saved, person.account().id(), flash);
                    default -> flash.addFlashAttribute("said", "Saved. Bots still call what is published.");
                }
            }
        }
        return "redirect:/services/" + id;
    }

    /** Calls the service as it is drafted, with its examples. */
    private void tryOut(StoredService saved, RedirectAttributes flash) {
        Map<String, String> faults = catalogue.faults(saved);
        if (!faults.isEmpty()) {
            flash.addFlashAttribute("errors", faults);
            return;
        }
        Map<String, Value> examples = new LinkedHashMap<>();
        saved.draft().inputs().stream()
                .filter(input -> !input.example().isBlank())
                .forEach(input -> examples.put(input.key(), new Value.Text(input.example())));
        Calls.Made made = calls.make(saved.draft(), saved.connection(), examples, "tried-" + Ids.next());
        flash.addFlashAttribute("made", made);
        flash.addFlashAttribute("leaves", ReplyLeaf.of(made.reply()));
    }

    private void publish(StoredService saved, String account, RedirectAttributes flash) {
        switch (catalogue.publish(saved.id(), account)) {
            case Checked.Bad<Integer> bad -> flash.addFlashAttribute("errors", bad.errors());
            case Checked.Good<Integer>(Integer version) ->
                flash.addFlashAttribute("said", "Published as number " + version + ". Bots call it from now on.");
        }
    }

    /** Takes an earlier publication as the draft. */
    @PostMapping("/{id}/draft")
    String draft(@PathVariable String id, @RequestParam(defaultValue = "0") int version) {
        catalogue.draftFrom(id, version);
        return "redirect:/services/" + id;
    }

    @PostMapping("/{id}/delete")
    String delete(@PathVariable String id, HttpSession session) {
        catalogue.delete(id);
        session.setAttribute(DELETED, id);
        return "redirect:/services";
    }

    /** Puts back the service that was deleted last. */
    @PostMapping("/restore")
    String restore(HttpSession session) {
        Object id = session.getAttribute(DELETED);
        session.removeAttribute(DELETED);
        if (id == null) {
            return "redirect:/services";
        }
        catalogue.bringBack(id.toString());
        return "redirect:/services/" + id;
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
    }
}
