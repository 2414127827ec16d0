package com.shuttle.followups;

import com.shuttle.bots.BotService;
import com.shuttle.core.calendar.Zones;
import com.shuttle.followups.FollowUp.Begins;
import com.shuttle.followups.FollowUp.Does;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.leads.LeadList;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.Person;
import com.shuttle.leads.Segments;
import com.shuttle.notices.Letters;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Listing.Option;
import com.shuttle.web.Markdown;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Wanted;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Follow-ups: written, tried on the past, switched on, and what they have sent. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/leads/follow-ups")
class FollowUpController {

    private static final int DRY_SHOWN = 60;

    private final FollowUps followUps;
    private final FollowUpLog log;
    private final DryRun dry;
    private final Segments segments;
    private final LeadList leadList;
    private final LeadService leads;
    private final BotService bots;
    private final AccountService accounts;
    private final Letters letters;
    private final Writing writing;
    private final Markdown markdown;

    FollowUpController(
            FollowUps followUps,
            FollowUpLog log,
            DryRun dry,
            Segments segments,
            LeadList leadList,
            LeadService leads,
            BotService bots,
            AccountService accounts,
            Letters letters,
            Writing writing,
            Markdown markdown) {
        this.followUps = followUps;
        this.log = log;
        this.dry = dry;
        this.segments = segments;
        this.leadList = leadList;
        this.leads = leads;
        this.bots = bots;
        this.accounts = accounts;
        this.letters = letters;
        this.writing = writing;
        this.markdown = markdown;
    }

    /** A follow-up in the list. */
    record Line(FollowUp one, String begins, FollowUpStore.Figures figures) {}

    @GetMapping
    String list(Model model) {
        model.addAttribute(
                "lines",
                followUps.all().stream()
                        .map(one -> new Line(one, begins(one), log.figures(one.id())))
                        .toList());
        return "leads/follow-ups";
    }

    private String begins(FollowUp one) {
        return one.begins().label() + " “"
                + switch (one.begins()) {
                    case SEGMENT ->
                        segments.find(one.of()).map(segment -> segment.name()).orElse("that is gone");
                    case MILESTONE -> one.of();
                    case UNFINISHED ->
                        bots.find(one.of()).map(bot -> bot.name()).orElse("a bot that is gone");
                }
                + "”";
    }

    /** @param dry whether it is shown whom it would have reached @param lead id of whom the mails are shown for */
    @GetMapping("/{id}")
    String followUp(
            @PathVariable String id,
            @RequestParam(name = "dry", defaultValue = "false") boolean wantsDry,
            @RequestParam(defaultValue = "") String lead,
            @RequestParam Map<String, String> parameters,
            Model model) {
        boolean fresh = id.equals("new");
        FollowUp stored = fresh ? FollowUpForm.blank(zone()) : followUps.followUp(id);
        FollowUp one = model.getAttribute("kept") instanceof FollowUp kept ? kept : stored;
        model.addAttribute("id", id);
        model.addAttribute("one", one);
        model.addAttribute(
                "spans",
                one.stages().stream()
                        .map(stage -> FollowUpForm.span(stage.after()))
                        .toList());
        model.addAttribute(
                "files",
                one.stages().stream()
                        .map(stage -> letters.fileName(stage.file()))
                        .toList());
        model.addAttribute("begins", Begins.values());
        model.addAttribute("does", Does.values());
        model.addAttribute("segments", segments.all());
        model.addAttribute("milestones", leadList.milestones());
        model.addAttribute("bots", bots.bots());
        model.addAttribute("teams", accounts.teams());
        model.addAttribute("days", FollowUpForm.DAYS);
        model.addAttribute("placeholders", writing.names());
        if (!fresh) {
            show(stored, wantsDry, lead, parameters, model);
        }
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "leads/follow-up";
    }

    private void show(FollowUp stored, boolean wantsDry, String lead, Map<String, String> parameters, Model model) {
        if (wantsDry) {
            DryRun.Outcome outcome = dry.of(stored);
            model.addAttribute("dry", outcome);
            model.addAttribute(
                    "dryLines", outcome.lines().stream().limit(DRY_SHOWN).toList());
        }
        List<Person> some = leadList.some(stored.begins() == Begins.SEGMENT ? stored.of() : "");
        Person shown = leads.find(lead).orElse(some.isEmpty() ? null : some.getFirst());
        model.addAttribute("some", some);
        model.addAttribute("shown", shown);
        model.addAttribute("previews", shown == null ? List.of() : previews(stored, shown));
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute("figures", log.figures(stored.id()));
        model.addAttribute(
                "listing",
                Listing.of("/leads/follow-ups/" + stored.id(), wanted, log.lines(stored.id(), wanted))
                        .filter("what", "What", "all of it", Option.of(List.of("sent", "not sent", "stopped")))
                        .columns(
                                Column.plain("When"),
                                Column.plain("Who"),
                                Column.plain("Stage"),
                                Column.plain("What"),
                                Column.plain("Why")));
    }

    /** A mail as somebody would get it. @param html safe */
    record Preview(int stage, String subject, String html) {}

    private List<Preview> previews(FollowUp one, Person person) {
        List<Preview> previews = new ArrayList<>();
        for (int i = 0; i < one.stages().size(); i++) {
            Stage stage = one.stages().get(i);
            if (stage.mail()) {
                Writing.Written written = writing.of(stage, person, person.conversation());
                previews.add(new Preview(i + 1, written.subject(), markdown.html(written.text())));
            }
        }
        return previews;
    }

    private String zone() {
        return bots.bots().stream()
                .map(bot -> bot.zone())
                .findFirst()
                .flatMap(Zones::known)
                .map(zone -> zone.getId())
                .orElse("UTC");
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping("/{id}")
    String keep(
            @PathVariable String id,
            @RequestParam Map<String, String> form,
            @RequestParam Map<String, MultipartFile> files,
            RedirectAttributes flash)
            throws IOException {
        FollowUp before = id.equals("new") ? FollowUpForm.blank(zone()) : followUps.followUp(id);
        Map<String, String> whole = new HashMap<>(form);
        for (Map.Entry<String, MultipartFile> file : files.entrySet()) {
            if (!file.getValue().isEmpty() && file.getKey().matches("stage\\.\\d{1,2}\\.upload")) {
                String name = String.valueOf(file.getValue().getOriginalFilename());
                String type = String.valueOf(file.getValue().getContentType());
                whole.put(
                        file.getKey().replace("upload", "file"),
                        letters.keepFile(name, type, file.getValue().getBytes()));
            }
        }
        FollowUp wanted = FollowUpForm.read(id.equals("new") ? "" : id, whole, before);
        if (!form.getOrDefault("do", "").isEmpty()) {
            flash.addFlashAttribute("kept", wanted);
            return "redirect:/leads/follow-ups/" + id + "#stages";
        }
        return switch (followUps.keep(wanted)) {
            case Checked.Bad<FollowUp> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("kept", wanted);
                yield "redirect:/leads/follow-ups/" + id;
            }
            case Checked.Good<FollowUp>(FollowUp kept) -> {
                flash.addFlashAttribute(
                        "said", kept.on() ? "Kept." : "Kept. It is off; try it on the last 30 days first.");
                yield "redirect:/leads/follow-ups/" + kept.id();
            }
        };
    }

    @PostMapping("/{id}/on")
    String switchOn(@PathVariable String id, RedirectAttributes flash) {
        followUps.switchOn(id);
        flash.addFlashAttribute("said", "It is on: whoever begins from now on is followed up.");
        return "redirect:/leads/follow-ups/" + id;
    }

    @PostMapping("/{id}/off")
    String switchOff(@PathVariable String id, RedirectAttributes flash) {
        followUps.switchOff(id);
        flash.addFlashAttribute("said", "It is off: nothing goes out.");
        return "redirect:/leads/follow-ups/" + id;
    }

    @PostMapping("/{id}/delete")
    String delete(@PathVariable String id) {
        followUps.delete(id);
        return "redirect:/leads/follow-ups";
    }
}
