package com.shuttle.demo;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.engine.Speaker;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Role;
import com.shuttle.settings.Team;
import com.shuttle.standins.Visitor;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
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

    private static final Logger LOG = LoggerFactory.getLogger(Demo.class);

    private record Knowledge(List<Entry> entries, List<List<String>> synonyms) {}

    private final AccountService accounts;
    private final BotService bots;
    private final KnowledgeService knowledge;
    private final ReleaseService releases;
    private final ConversationService conversations;
    private final Path data;

    Demo(
            AccountService accounts,
            BotService bots,
            KnowledgeService knowledge,
            ReleaseService releases,
            ConversationService conversations,
            @Value("${shuttle.data}") Path data) {
        this.accounts = accounts;
        this.bots = bots;
        this.knowledge = knowledge;
        this.releases = releases;
        this.conversations = conversations;
        this.data = data;
    }

    @Override
    public void run(ApplicationArguments arguments) throws IOException {
        if (!accounts.isEmpty()) {
            return;
        }
        person("Tobin Ashgrove", "tobin.ashgrove@tarnfell.example", Role.ADMINISTRATOR);
        Account designer = person("Maren Holt", "maren.holt@tarnfell.example", Role.DESIGNER);
        Account agent = person("Idris Vane", "idris.vane@tarnfell.example", Role.AGENT);
        Account teacher = person("Oona Fairley", "oona.fairley@tarnfell.example", Role.AGENT);
        Team visits = good(accounts.createTeam("Visits"));
        accounts.setMembers(visits.id(), List.of(agent.id()));
        accounts.setMembers(good(accounts.createTeam("Schools")).id(), List.of(teacher.id()));
        Bot vesper = vesper(designer, visits);
        for (Visitor visitor : Visitor.all()) {
            play(visitor, vesper, agent);
        }
        Files.createDirectories(data);
        Files.writeString(data.resolve("api-token"), accounts.createToken(designer.id(), "demo") + "\n");
        LOG.info("The demo is made: Tarnfell Observatory with its bot Vesper");
    }

    private Account person(String name, String email, Role role) {
        return good(accounts.create(name, email, PASSWORD, role));
    }

    private Bot vesper(Account designer, Team visits) throws IOException {
        Knowledge content = Json.read(resource("knowledge.json"), Knowledge.class);
        String collection = good(knowledge.create("The observatory"));
        knowledge.replace(collection, new Content(content.entries(), List.of(), content.synonyms()));
        Bot bot = good(bots.create("Vesper", "GB", designer.id()));
        bot = good(bots.change(
                bot.id(),
                "Vesper",
                "vesper",
                "Answers visitors of Tarnfell Observatory and takes down callbacks",
                "GB"));
        knowledge.setCollections(bot.id(), List.of(collection));
        for (String file : List.of("vesper-main.json", "vesper-callback.json")) {
            String flow = resource(file).replace("@Visits", visits.id());
            if (new FlowJson().read(flow) instanceof FlowJson.Result.Good good) {
                bots.putFlow(bot.id(), good.flow(), "brought in from a file", designer.id());
            } else {
                throw new IllegalStateException("the demo's flow " + file + " is faulty");
            }
        }
        good(releases.release(bot.id(), "First light", designer.id()));
        return bot;
    }

    private void play(Visitor visitor, Bot bot, Account agent) {
        ConversationService.Begun begun =
                conversations.begin(bot.id(), "", visitor.page(), "web").orElseThrow();
        String id = begun.conversation();
        visitor.play(new Visitor.Conversation() {
            @Override
            public void visitorSays(String text) {
                conversations.say(id, Ids.next(), text);
            }

            @Override
            public void agentSays(String text) {
                if (conversations.conversation(id).speaker() != Speaker.PERSON) {
                    conversations.agentTakes(id, agent);
                }
                conversations.agentSays(id, Ids.next(), agent, text);
            }

            @Override
            public void agentCloses() {
                conversations.agentCloses(id, agent);
            }
        });
    }

    private static <T> T good(Checked<T> checked) {
        if (checked instanceof Checked.Good<T>(T value)) {
            return value;
        }
        throw new IllegalStateException("the demo could not be made: " + checked);
    }

    private static String resource(String name) throws IOException {
        try (InputStream in = Demo.class.getResourceAsStream("/demo/" + name)) {
            if (in == null) {
                throw new IllegalStateException("missing resource demo/" + name);
            }
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        }
    }
}
