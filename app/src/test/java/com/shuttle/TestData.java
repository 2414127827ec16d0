package com.shuttle;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.bots.VariableService;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.knowledge.EntryDraft;
import com.shuttle.knowledge.EntryService;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.releases.ReleaseService;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Role;
import com.shuttle.web.Checked;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.boot.test.context.TestComponent;

/** Makes what tests need; every name is new, so that tests do not meet. */
@TestComponent
public class TestData {

    private static final AtomicInteger NUMBER = new AtomicInteger();

    public final BotService bots;
    public final VariableService variables;
    public final KnowledgeService knowledge;
    public final EntryService entries;
    public final ReleaseService releases;
    public final ConversationService conversations;
    public final AccountService accounts;

    TestData(
            BotService bots,
            VariableService variables,
            KnowledgeService knowledge,
            EntryService entries,
            ReleaseService releases,
            ConversationService conversations,
            AccountService accounts) {
        this.bots = bots;
        this.variables = variables;
        this.knowledge = knowledge;
        this.entries = entries;
        this.releases = releases;
        this.conversations = conversations;
        this.accounts = accounts;
    }

    /** What a service made, or the test fails with what was wrong. */
    public static <T> T good(Checked<T> checked) {
        if (checked instanceof Checked.Good<T>(T value)) {
            return value;
        }
        throw new AssertionError("expected a good value, but got " + checked);
    }

    /** A flow of these steps. @param steps as in its file, with single quotes for double ones */
    public static Flow flow(String id, String steps) {
        String file = "{'format':'shuttle-flow/1','id':'" + id + "','name':'" + id
                + "','sections':[{'id':'s','title':'','steps':[" + steps + "]}]}";
        return FlowJson.readTrusted(file.replace('\'', '"'));
    }

    public String name(String of) {
        return of + " " + NUMBER.incrementAndGet();
    }

    public Bot bot() {
        return good(bots.create(name("Bot"), "GB", null));
    }

    /** A bot with this main flow, released. */
    public Bot released(Flow main) {
        Bot bot = bot();
        bots.putFlow(bot.id(), main, "test", null);
        good(releases.release(bot.id(), "", null));
        return bot;
    }

    /** A collection that knows one question. */
    public String collection(String question, String answer) {
        String id = good(knowledge.create(name("Collection")));
        good(entries.add(id, EntryDraft.of(question, answer)));
        return id;
    }

    public String collectionOf(Bot bot, String question, String answer) {
        String id = collection(question, answer);
        knowledge.setCollections(bot.id(), List.of(id));
        return id;
    }

    public Account person(Role role) {
        String email = "p" + NUMBER.incrementAndGet() + "@example.org";
        return good(accounts.create(name("Person"), email, "long-enough-password", role));
    }
}
