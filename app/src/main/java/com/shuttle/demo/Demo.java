package com.shuttle.demo;

import static java.util.Objects.requireNonNull;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotForm;
import com.shuttle.bots.BotService;
import com.shuttle.bots.BotTemplates;
import com.shuttle.bots.Manner;
import com.shuttle.bots.MediaService;
import com.shuttle.bots.VariableService;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Role;
import com.shuttle.settings.Team;
import com.shuttle.standins.Visitor;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.TableService;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Fills an empty installation with the Tarnfell Observatory, and plays its first conversations with the real engine. */
@Component
@ConditionalOnProperty("shuttle.demo")
class Demo implements ApplicationRunner {

    /** Everybody's password in the demo. */
    static final String PASSWORD = "tarnfell-night";

    private static final Map<String, String> HOURS = Map.of(
            "wednesday", "10:00-17:00",
            "thursday", "10:00-17:00",
            "friday", "10:00-22:00",
            "saturday", "10:00-22:00",
            "sunday", "10:00-17:00");

    private static final List<Response> RESPONSES = List.of(
            says(
                    Occasion.NOT_FOUND,
                    "I don't know that one, and I'd rather not guess. I've noted it for the guides.",
                    "I don't know that one. I've noted it, and a guide looks at it when we are open again."),
            says(Occasion.BUSY, "All our guides are out with visitors at the moment.", ""),
            says(Occasion.CLOSED, "Our guides have gone home; they are here Wednesday to Sunday from ten.", ""));

    private static final List<String> PICTURES = List.of("dome.png", "hall.png", "terrace.png");

    private static final int WAIT_MILLIS = 20;
    private static final int MOST_WAITS = 1000;

    private static final Logger LOG = LoggerFactory.getLogger(Demo.class);

    private final AccountService accounts;
    private final BotService bots;
    private final VariableService variables;
    private final BotTemplates templates;
    private final KnowledgeService knowledge;
    private final ReleaseService releases;
    private final ConversationService conversations;
    private final MediaService media;
    private final TableService tables;
    private final DemoServices services;
    private final DemoAppointments appointments;
    private final DemoSite site;
    private final DemoPhones phones;
    private final DemoLeads leads;
    private final Path data;

    Demo(
            AccountService accounts,
            BotService bots,
            VariableService variables,
            BotTemplates templates,
            KnowledgeService knowledge,
            ReleaseService releases,
            ConversationService conversations,
            MediaService media,
            TableService tables,
            DemoServices services,
            DemoAppointments appointments,
            DemoSite site,
            DemoPhones phones,
            DemoLeads leads,
            @Value("${shuttle.data}") Path data) {
        this.accounts = accounts;
        this.bots = bots;
        this.variables = variables;
        this.templates = templates;
        this.knowledge = knowledge;
        this.releases = releases;
        this.conversations = conversations;
        this.media = media;
        this.tables = tables;
        this.services = services;
        this.appointments = appointments;
        this.site = site;
        this.phones = phones;
        this.leads = leads;
        this.data = data;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        services.reachMail();
        services.remember(data, accounts.isEmpty());
        if (!accounts.isEmpty()) {
            return;
        }
        Files.createDirectories(data);
        // What lies here when the server starts again says that the demo is only half made (see Preflight).
        Path unfinished = Files.writeString(data.resolve("demo-unfinished"), "");
        person("Tobin Ashgrove", "tobin.ashgrove@tarnfell.example", Role.ADMINISTRATOR);
        Account designer = person("Maren Holt", "maren.holt@tarnfell.example", Role.DESIGNER);
        Account agent = person("Idris Vane", "idris.vane@tarnfell.example", Role.AGENT);
        Account teacher = person("Oona Fairley", "oona.fairley@tarnfell.example", Role.AGENT);
        Team visits = good(accounts.createTeam("Visits"));
        accounts.setMembers(visits.id(), List.of(agent.id()));
        Team schools = good(accounts.createTeam("Schools"));
        accounts.setMembers(schools.id(), List.of(teacher.id()));
        Team events = good(accounts.createTeam("Events"));
        accounts.setMembers(events.id(), List.of(agent.id(), teacher.id()));
        Team workshop = good(accounts.createTeam("Workshop"));
        accounts.setMembers(workshop.id(), List.of(agent.id()));
        Map<String, Team> teams = Map.of("Visits", visits, "Schools", schools, "Events", events, "Workshop", workshop);
        String collection = collection();
        table("callbacks", "Callbacks", "Name", "Email:EMAIL", "Phone:PHONE", "About", "Asked on:DATE", "Done:YES_NO");
        table(
                "repairs",
                "Repairs",
                "Telescope",
                "Fault:LONG_TEXT",
                "Whose",
                "Email:EMAIL",
                "Reference",
                "Taken in:DATE",
                "Mended:YES_NO");
        table("wishes", "Wishes", "Telescope", "For", "Told on:DATE");
        Map<String, String> asked = services.make(designer.id());
        appointments.make();
        leads.setUp();
        Bot vesper = bot(
                "Vesper",
                "vesper",
                "Answers visitors of Tarnfell Observatory and takes down callbacks",
                List.of("vesper-main.json", "vesper-callback.json", "vesper-guide.json"),
                collection,
                "Visits",
                teams,
                asked,
                designer);
        Bot visit = bot(
                "School visits",
                "school-visits",
                "Arranges a class's day at Tarnfell Observatory",
                List.of("school-visits.json"),
                collection,
                "Schools",
                teams,
                asked,
                designer);
        good(variables.declare(
                visit.id(),
                new Variable(
                        "teacher", ValueType.PERSON_NAME, Variable.Origin.VISITOR, "greets teachers who come back")));
        good(variables.declare(visit.id(), new Variable("school", ValueType.COMPANY, Variable.Origin.VISITOR, "")));
        good(variables.declare(visit.id(), new Variable("email", ValueType.EMAIL, Variable.Origin.VISITOR, "")));
        Bot hire = bot(
                "Dome hire",
                "dome-hire",
                "Evenings under the dome for companies and private parties",
                List.of("dome-hire.json"),
                collection,
                "Events",
                teams,
                asked,
                designer);
        Bot repair = bot(
                "Repair bench",
                "repair-bench",
                "Takes telescopes in for the workshop",
                List.of("repair-bench.json"),
                collection,
                "Workshop",
                teams,
                asked,
                designer);
        Bot gallery = bot(
                "Step gallery",
                "step-gallery",
                "One of every kind of step, to try and to copy from",
                List.of("gallery.json", "gallery-tour.json", "gallery-code.json", "gallery-link.json"),
                collection,
                "Visits",
                teams,
                asked,
                designer);
        for (Bot bot : List.of(vesper, visit, hire, repair, gallery)) {
            good(releases.release(bot.id(), "First light", designer.id()));
        }
        site.make(vesper, hire);
        site.keywords(visit, "school", "schools", "class");
        site.keywords(gallery, "gallery");
        phones.make(List.of(visit, vesper, hire, gallery));
        Map<String, Bot> named =
                Map.of("vesper", vesper, "school-visits", visit, "dome-hire", hire, "repair-bench", repair);
        for (Visitor visitor : Visitor.all()) {
            play(visitor, requireNonNull(named.get(visitor.bot())), agent);
        }
        leads.play(vesper, hire, List.of(agent, teacher), events);
        Files.writeString(data.resolve("api-token"), accounts.createToken(designer.id(), "demo") + "\n");
        Files.delete(unfinished);
        LOG.info("The demo is made: Tarnfell Observatory with its bots");
    }

    private static Response says(Occasion occasion, String say, String outside) {
        List<String> after = outside.isEmpty() ? List.of() : List.of(outside);
        return new Response(occasion, true, List.of(say), after, List.of(), 0);
    }

    private Account person(String name, String email, Role role) {
        return good(accounts.create(name, email, PASSWORD, role));
    }

    /** An empty table that bots write to. @param columns names, those of dates and the like with their kind */
    private void table(String ref, String name, String... columns) {
        List<Column> all = new ArrayList<>();
        for (String column : columns) {
            String[] parts = column.split(":");
            Column.Kind kind = parts.length > 1 ? Column.Kind.valueOf(parts[1]) : Column.Kind.TEXT;
            all.add(new Column("c" + (all.size() + 1), parts[0], kind, ""));
        }
        tables.add(new Table(ref, name, List.of(), all, List.of(), true));
    }

    private String collection() throws IOException {
        return knowledge.bringIn("", "The observatory", Json.read(resource("knowledge.json"), Content.class));
    }

    /** A bot of a team with flows from files, in which {@code @Team}, {@code @table/Name}, {@code @service/Name} and {@code @media/file} stand for ids and addresses. */
    private Bot bot(
            String name,
            String slug,
            String description,
            List<String> files,
            String collection,
            String team,
            Map<String, Team> teams,
            Map<String, String> services,
            Account designer)
            throws IOException {
        Bot bot = good(bots.create(name, "GB", designer.id()));
        Manner manner = new Manner("", "", HOURS, "en-GB", 0, RESPONSES);
        bot = good(bots.change(bot.id(), new BotForm(name, slug, description, "GB", "Europe/London", manner)));
        knowledge.setCollections(bot.id(), List.of(collection));
        for (String file : files) {
            String flow = resource(file);
            for (Map.Entry<String, Team> one : teams.entrySet()) {
                flow = flow.replace("@" + one.getKey(), one.getValue().id());
            }
            for (StoredTable table : tables.all()) {
                flow = flow.replace("@table/" + table.name(), table.id());
            }
            for (Map.Entry<String, String> service : services.entrySet()) {
                flow = flow.replace("@service/" + service.getKey(), service.getValue());
            }
            flow = leads.named(appointments.named(flow));
            for (String picture : PICTURES) {
                if (flow.contains("@media/" + picture)) {
                    String address = good(media.keep(bot.id(), picture, bytes("media/" + picture)));
                    flow = flow.replace("@media/" + picture, address);
                }
            }
            switch (new FlowJson().read(flow)) {
                case FlowJson.Result.Good good ->
                    bots.putFlow(bot.id(), good.flow(), "brought in from a file", designer.id());
                case FlowJson.Result.Bad bad ->
                    throw new IllegalStateException("the demo's flow " + file + " is faulty: " + bad.faults());
            }
        }
        templates.addPerson(bot.id(), requireNonNull(teams.get(team)).id(), designer.id());
        return bots.bot(bot.id());
    }

    private void play(Visitor visitor, Bot bot, Account agent) {
        ConversationService.Begun begun =
                conversations.begin(bot.id(), "", visitor.page(), "web", "").orElseThrow();
        String id = begun.conversation();
        visitor.play(new Visitor.Conversation() {
            @Override
            public void visitorSays(String text) {
                conversations.say(id, Ids.next(), text);
                whileCalling(id);
            }

            @Override
            public void agentSays(String text) {
                if (conversations.conversation(id).speaker() != Speaker.PERSON) {
                    conversations.agentTakes(id, agent, false);
                }
                conversations.agentSays(id, Ids.next(), agent, text);
            }

            @Override
            public void agentCloses() {
                conversations.agentCloses(id, agent);
            }
        });
    }

    /** Visitors who play the demo wait for what services reply, so that each says what comes next. */
    private void whileCalling(String conversation) {
        try {
            for (int i = 0;
                    i < MOST_WAITS && conversations.state(conversation).awaiting() instanceof Awaiting.Called;
                    i++) {
                TimeUnit.MILLISECONDS.sleep(WAIT_MILLIS);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    static <T> T good(Checked<T> checked) {
        if (checked instanceof Checked.Good<T>(T value)) {
            return value;
        }
        throw new IllegalStateException("the demo could not be made: " + checked);
    }

    private static String resource(String name) throws IOException {
        return new String(bytes(name), StandardCharsets.UTF_8);
    }

    private static byte[] bytes(String name) throws IOException {
        try (InputStream in = Demo.class.getResourceAsStream("/demo/" + name)) {
            if (in == null) {
                throw new IllegalStateException("missing resource demo/" + name);
            }
            return in.readAllBytes();
        }
    }
}
