package com.shuttle.appointments;

import com.shuttle.bots.FlowUses;
import com.shuttle.core.booking.BusyFeed;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Merge;
import com.shuttle.web.MostBytes;
import com.shuttle.web.PublicAddress;
import com.shuttle.web.Sent;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Kinds of appointment, and the people and rooms they are with. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/appointments")
class SetUpController {

    private static final String NEW = "new";

    private final Diaries diaries;
    private final PublicAddress address;
    private final FlowUses uses;
    private final BusyCalendars calendars;
    private final SetUpForms forms;
    private final WaitingList list;
    private final InstantSource clock;
    private final ZoneId zone;

    /** @param zone of somebody new */
    SetUpController(
            Diaries diaries,
            PublicAddress address,
            FlowUses uses,
            BusyCalendars calendars,
            SetUpForms forms,
            WaitingList list,
            InstantSource clock,
            @Value("${shuttle.zone:Europe/London}") String zone) {
        this.diaries = diaries;
        this.address = address;
        this.uses = uses;
        this.calendars = calendars;
        this.forms = forms;
        this.list = list;
        this.clock = clock;
        this.zone = ZoneId.of(zone);
    }

    /** A kind in the list. */
    public record KindLine(Kind kind, String with, int waiting) {}

    @GetMapping("/kinds")
    String kinds(Model model) {
        List<String> there = diaries.diaries().stream().map(Diary::id).toList();
        Map<String, Integer> waiting = list.counts();
        model.addAttribute(
                "kinds",
                diaries.kinds().stream()
                        .map(kind -> new KindLine(
                                kind,
                                diaries.namesOf(kind.resources().stream()
                                        .filter(there::contains)
                                        .toList()),
                                waiting.getOrDefault(kind.id(), 0)))
                        .toList());
        model.addAttribute("people", there.size());
        return "appointments/kinds";
    }

    @GetMapping("/kinds/{id}")
    String kind(@PathVariable String id, Model model) {
        Kind kept = id.equals(NEW) ? KindForm.BLANK : diaries.kind(id);
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", KindForm.form(kept));
            model.addAttribute("was", id.equals(NEW) ? "" : Merge.written(KindForm.form(kept)));
            model.addAttribute("chosen", kept.resources());
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("id", id);
        model.addAttribute("uses", id.equals(NEW) ? List.of() : uses.of(id));
        model.addAttribute("diaries", diaries.diaries());
        return "appointments/kind";
    }

    @PostMapping("/kinds/{id}")
    String keepKind(
            @PathVariable String id,
            @RequestParam Map<String, String> form,
            @RequestParam(name = "resource", defaultValue = "") List<String> resources,
            RedirectAttributes flash) {
        return switch (forms.kind(id.equals(NEW) ? "" : id, form, resources)) {
            case Sent.Kept<Kind>(Kind kind) -> {
                flash.addFlashAttribute("said", "“" + kind.name() + "” is kept.");
                yield "redirect:/appointments/kinds/" + kind.id();
            }
            case Sent.Refused<Kind>(Map<String, String> errors, String was) -> {
                flash.addFlashAttribute("errors", errors);
                flash.addFlashAttribute("was", was);
                flash.addFlashAttribute("form", new LinkedHashMap<>(form));
                flash.addFlashAttribute("chosen", resources);
                yield "redirect:/appointments/kinds/" + id;
            }
        };
    }

    @PostMapping("/kinds/{id}/delete")
    String deleteKind(@PathVariable String id, RedirectAttributes flash) {
        diaries.deleteKind(diaries.kind(id).id());
        flash.addFlashAttribute("deletedKind", id);
        return "redirect:/appointments/kinds";
    }

    @PostMapping("/kinds/{id}/restore")
    String restoreKind(@PathVariable String id) {
        diaries.bringKindBack(id);
        return "redirect:/appointments/kinds/" + id;
    }

    // People and rooms

    @GetMapping("/people")
    String people(Model model) {
        model.addAttribute("diaries", diaries.diaries());
        return "appointments/people";
    }

    @GetMapping("/people/{id}")
    String person(@PathVariable String id, Model model) {
        Diary kept = id.equals(NEW) ? DiaryForm.blank(zone) : diaries.diary(id);
        if (!model.containsAttribute("form")) {
            model.addAttribute("form", DiaryForm.form(kept));
            model.addAttribute("was", id.equals(NEW) ? "" : Merge.written(DiaryForm.form(kept)));
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("id", id);
        model.addAttribute("today", clock.instant().atZone(kept.hours().zone()).toLocalDate());
        addCalendars(id, model);
        model.addAttribute("feed", id.equals(NEW) ? "" : address.of(diaries.feed(id)));
        return "appointments/person";
    }

    @PostMapping("/people/{id}")
    String keepPerson(@PathVariable String id, @RequestParam Map<String, String> form, RedirectAttributes flash) {
        return switch (forms.diary(id.equals(NEW) ? "" : id, form)) {
            case Sent.Kept<Diary>(Diary diary) -> {
                flash.addFlashAttribute("said", "“" + diary.name() + "” is kept.");
                yield "redirect:/appointments/people/" + diary.id();
            }
            case Sent.Refused<Diary>(Map<String, String> errors, String was) -> {
                flash.addFlashAttribute("errors", errors);
                flash.addFlashAttribute("was", was);
                flash.addFlashAttribute("form", new LinkedHashMap<>(form));
                yield "redirect:/appointments/people/" + id;
            }
        };
    }

    /** Takes the whole days of a calendar file as days off. */
    @MostBytes(MostBytes.FILE)
    @PostMapping("/people/{id}/holidays")
    String holidays(@PathVariable String id, @RequestParam MultipartFile file, RedirectAttributes flash)
            throws IOException {
        try {
            int more = forms.holidays(id, new String(file.getBytes(), StandardCharsets.UTF_8), clock.instant());
            flash.addFlashAttribute("said", "%d days off were added.".formatted(more));
        } catch (BusyFeed.Unreadable unreadable) {
            flash.addFlashAttribute("holidayError", unreadable.getMessage());
        }
        return "redirect:/appointments/people/" + id;
    }

    /** A calendar elsewhere in the list. */
    public record CalendarLine(BusyCalendar calendar, boolean stale) {}

    private void addCalendars(String id, Model model) {
        List<BusyCalendar> all = id.equals(NEW) ? List.of() : calendars.of(id);
        model.addAttribute(
                "calendars",
                all.stream()
                        .map(one -> new CalendarLine(one, one.stale(clock.instant())))
                        .toList());
        model.addAttribute("awaits", all.stream().anyMatch(BusyCalendar::awaited));
    }

    /** The list alone, for who waits until one has been read. */
    @GetMapping("/people/{id}/calendars")
    String calendars(@PathVariable String id, Model model) {
        addCalendars(diaries.diary(id).id(), model);
        model.addAttribute("id", id);
        return "appointments/person :: calendars";
    }

    @PostMapping("/people/{id}/calendars")
    String addCalendar(
            @PathVariable String id, @RequestParam(defaultValue = "") String calendar, RedirectAttributes flash) {
        switch (calendars.add(diaries.diary(id).id(), calendar)) {
            case Checked.Good<String> added -> flash.addFlashAttribute("said", "The calendar is read from now on.");
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("calendarError", bad.errors().get("calendar"));
                flash.addFlashAttribute("calendar", calendar);
            }
        }
        return "redirect:/appointments/people/" + id;
    }

    @PostMapping("/people/{id}/calendars/{calendar}/delete")
    String removeCalendar(@PathVariable String id, @PathVariable String calendar, RedirectAttributes flash) {
        calendars.remove(diaries.diary(id).id(), calendar);
        flash.addFlashAttribute("said", "The calendar is no longer read, and its busy times are gone.");
        return "redirect:/appointments/people/" + id;
    }

    @PostMapping("/people/{id}/renew")
    String renew(@PathVariable String id, RedirectAttributes flash) {
        diaries.renewFeed(diaries.diary(id).id());
        flash.addFlashAttribute("said", "The calendar has another address; the one before opens nothing any more.");
        return "redirect:/appointments/people/" + id;
    }

    @PostMapping("/people/{id}/delete")
    String deletePerson(@PathVariable String id, RedirectAttributes flash) {
        diaries.deleteDiary(diaries.diary(id).id());
        flash.addFlashAttribute("deletedPerson", id);
        return "redirect:/appointments/people";
    }

    @PostMapping("/people/{id}/restore")
    String restorePerson(@PathVariable String id) {
        diaries.bringDiaryBack(id);
        return "redirect:/appointments/people/" + id;
    }
}
