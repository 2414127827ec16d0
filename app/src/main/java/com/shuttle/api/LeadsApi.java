package com.shuttle.api;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.leads.LeadCallbacks;
import com.shuttle.leads.LeadList;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.LeadSetUp;
import com.shuttle.leads.LeadTask;
import com.shuttle.leads.Person;
import com.shuttle.leads.Segment;
import com.shuttle.leads.Segments;
import com.shuttle.leads.Tasks;
import com.shuttle.scorecards.Scorecards;
import com.shuttle.scorecards.StoredCard;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Checked;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Leads, segments, tasks and scorecards for programs. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "Leads", description = "Leads with their scores, segments, tasks and scorecards, and who is called back.")
class LeadsApi {

    record LeadView(
            String id,
            String name,
            String email,
            String phone,
            String company,
            String state,
            String owner,
            @Nullable Integer points,
            String band,
            BigDecimal worth,
            List<String> tags,
            boolean consent,
            @Nullable Instant leadSince,
            Instant lastHeard,
            Map<String, String> fields) {}

    /** @param page from 1 on */
    record Leads(List<LeadView> leads, int page, int pages, int total) {}

    /** What is changed; what is null stays. */
    record Change(
            @Nullable String state,
            @Nullable String owner,
            @Nullable List<String> tags) {}

    record SegmentView(String id, String name, String words, int leads) {}

    record TaskView(
            String id, String lead, String words, @Nullable Instant due, String account, String team, boolean done) {}

    record NewTask(
            @Nullable String words,
            @Nullable Instant due,
            @Nullable String account,
            @Nullable String team) {}

    record NewCallback(@Nullable String address, @Nullable List<String> events) {}

    record CallbackView(String id, String address, List<String> events, String key) {}

    private final LeadList list;
    private final LeadService leads;
    private final LeadSetUp setUp;
    private final Segments segments;
    private final Tasks tasks;
    private final Scorecards cards;
    private final LeadCallbacks callbacks;
    private final AccountService accounts;

    LeadsApi(
            LeadList list,
            LeadService leads,
            LeadSetUp setUp,
            Segments segments,
            Tasks tasks,
            Scorecards cards,
            LeadCallbacks callbacks,
            AccountService accounts) {
        this.list = list;
        this.leads = leads;
        this.setUp = setUp;
        this.segments = segments;
        this.tasks = tasks;
        this.cards = cards;
        this.callbacks = callbacks;
        this.accounts = accounts;
    }

    @GetMapping("/leads")
    @Operation(
            summary = "A page of leads",
            description = "Filters are segment, state, band, owner and bot; q looks in name, email, phone and company;"
                    + " sort is name, points, made, last or worth, with a minus before it for the other way round.")
    Leads leads(@Parameter(hidden = true) @RequestParam Map<String, String> parameters) {
        Page<Person> page = list.page(Wanted.of(parameters));
        return new Leads(page.items().stream().map(this::view).toList(), page.number(), page.pages(), page.total());
    }

    @GetMapping("/leads/{id}")
    @Operation(summary = "A lead")
    LeadView lead(@PathVariable String id) {
        return view(leads.person(id));
    }

    @PatchMapping("/leads/{id}")
    @Operation(summary = "Change a lead's state, owner or tags")
    LeadView change(@PathVariable String id, @RequestBody Change change, @AuthenticationPrincipal SignedIn person) {
        String by = person.account().id();
        String state = change.state();
        String owner = change.owner();
        leads.person(id);
        if (state != null && !setUp.isState(state)) {
            throw Problems.unfit("There is no state “" + state + "”.");
        }
        if (owner != null && !owner.isEmpty() && accounts.account(owner).isEmpty()) {
            throw Problems.unfit("There is no account “" + owner + "”.");
        }
        if (state != null) {
            leads.move(id, "", state, by);
        }
        if (owner != null) {
            leads.own(id, owner, by);
        }
        if (change.tags() != null) {
            leads.tag(id, String.join(",", change.tags()), by);
        }
        return view(leads.person(id));
    }

    @GetMapping("/leads/{id}/tasks")
    @Operation(summary = "A lead's tasks, open ones first")
    List<TaskView> tasks(@PathVariable String id) {
        return tasks.of(leads.person(id).id()).stream().map(LeadsApi::view).toList();
    }

    @PostMapping("/leads/{id}/tasks")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(summary = "Add a task")
    TaskView addTask(@PathVariable String id, @RequestBody NewTask task, @AuthenticationPrincipal SignedIn person) {
        leads.person(id);
        Checked<LeadTask> added = tasks.add(
                id,
                orEmpty(task.words()),
                task.due(),
                orEmpty(task.account()),
                orEmpty(task.team()),
                person.account().id());
        return switch (added) {
            case Checked.Good<LeadTask>(LeadTask made) -> view(made);
            case Checked.Bad<LeadTask>(Map<String, String> errors) ->
                throw Problems.unfit(errors.values().iterator().next());
        };
    }

    @PostMapping("/leads/tasks/{task}/done")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(summary = "Mark a task as done")
    void done(@PathVariable String task, @AuthenticationPrincipal SignedIn person) {
        tasks.mark(task, true, person.account().id());
    }

    @GetMapping("/segments")
    @Operation(summary = "Segments, each with how many leads are in it now")
    List<SegmentView> segments() {
        return segments.all().stream().map(this::view).toList();
    }

    @GetMapping("/scorecards")
    @Operation(summary = "Scorecards as they are drafted")
    List<Scorecard> scorecards() {
        return cards.all().stream().map(StoredCard::card).toList();
    }

    @GetMapping("/leads/callbacks")
    @Operation(summary = "Who is called back when a lead changes, with the key that each checks signatures with")
    List<CallbackView> callbacks() {
        return callbacks.all().stream().map(this::view).toList();
    }

    @PostMapping("/leads/callbacks")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(
            summary = "Have an address called back",
            description = "Events are lead.made, lead.band, lead.state, lead.owner.")
    CallbackView addCallback(@RequestBody NewCallback wanted) {
        List<String> events = wanted.events() == null ? List.of() : wanted.events();
        return switch (callbacks.add(orEmpty(wanted.address()), events)) {
            case Checked.Good<LeadCallbacks.Callback>(LeadCallbacks.Callback added) -> view(added);
            case Checked.Bad<LeadCallbacks.Callback>(Map<String, String> errors) ->
                throw Problems.unfit(errors.values().iterator().next());
        };
    }

    @DeleteMapping("/leads/callbacks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(summary = "Call it back no more")
    void deleteCallback(@PathVariable String id) {
        callbacks.delete(id);
    }

    private LeadView view(Person person) {
        return new LeadView(
                person.id(),
                person.name(),
                person.email(),
                person.phone(),
                person.company(),
                person.state(),
                person.owner(),
                person.points(),
                person.band(),
                person.worth(),
                person.tags(),
                person.mayBeWrittenTo(),
                person.leadAt(),
                person.lastAt(),
                leads.fields(person.id()));
    }

    private SegmentView view(Segment segment) {
        return new SegmentView(segment.id(), segment.name(), segments.words(segment), segments.count(segment));
    }

    private CallbackView view(LeadCallbacks.Callback callback) {
        return new CallbackView(callback.id(), callback.address(), callback.events(), callbacks.key(callback));
    }

    private static TaskView view(LeadTask task) {
        return new TaskView(
                task.id(), task.person(), task.words(), task.dueAt(), task.account(), task.team(), !task.open());
    }

    private static String orEmpty(@Nullable String text) {
        return text == null ? "" : text;
    }
}
