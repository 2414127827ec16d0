package com.shuttle.chat;

import com.shuttle.core.engine.Ports;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Vault;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What a bot may look at outside its conversation. */
@Component
public class BotPorts {

    private final KnowledgeService knowledge;
    private final AccountService accounts;
    private final Vault vault;

    BotPorts(KnowledgeService knowledge, AccountService accounts, Vault vault) {
        this.vault = vault;
        this.knowledge = knowledge;
        this.accounts = accounts;
    }

    /** The ports of one bot in one conversation. */
    public Ports of(String bot, String conversation) {
        return new Ports() {
            @Override
            public Finding ask(List<String> turns, List<String> collections) {
                return knowledge.ask(within(collections), turns);
            }

            @Override
            public Optional<Match> entry(String ref) {
                return knowledge.entryByRef(knowledge.collectionsOf(bot), ref);
            }

            @Override
            public List<Double> closeness(String text, List<String> others) {
                return knowledge.closeness(text, others);
            }

            @Override
            public boolean staffed(String team) {
                return accounts.staffed(team);
            }

            @Override
            public List<String> open(List<String> teamNames) {
                List<String> wanted = teamNames.stream()
                        .map(name -> name.toLowerCase(Locale.ROOT))
                        .toList();
                return accounts.teams().stream()
                        .filter(team -> wanted.contains(team.name().toLowerCase(Locale.ROOT)))
                        .filter(team -> accounts.staffed(team.id()))
                        .map(team -> team.name().toLowerCase(Locale.ROOT))
                        .toList();
            }

            @Override
            public String signalAddress(String key) {
                return SignalController.path(vault, conversation, key);
            }

            /** A bot asks its own collections only, whatever its steps name. */
            private List<String> within(List<String> collections) {
                List<String> own = knowledge.collectionsOf(bot);
                return collections.isEmpty()
                        ? own
                        : collections.stream().filter(own::contains).toList();
            }
        };
    }
}
