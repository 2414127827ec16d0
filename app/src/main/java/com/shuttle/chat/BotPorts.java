package com.shuttle.chat;

import com.shuttle.core.conversation.Ports;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.model.Helper;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Markdown;
import com.shuttle.web.Vault;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** What a bot may look at outside its conversation. */
@Component
public class BotPorts {

    private final KnowledgeService knowledge;
    private final AccountService accounts;
    private final Helper helper;
    private final Vault vault;

    BotPorts(KnowledgeService knowledge, AccountService accounts, Helper helper, Vault vault) {
        this.helper = helper;
        this.vault = vault;
        this.knowledge = knowledge;
        this.accounts = accounts;
    }

    /** The ports of one bot in one conversation. */
    public Ports of(String bot, String conversation) {
        return new Ports() {
            /** One turn may ask the same more than once. */
            private final Map<List<List<String>>, Finding> findings = new HashMap<>();

            @Override
            public Finding ask(List<String> turns, List<String> collections) {
                List<String> asked = within(collections);
                Finding finding = findings.computeIfAbsent(
                        List.of(turns, asked),
                        key -> helper.help(turns.getLast(), knowledge.askFor(bot, asked, turns)));
                return new Finding(
                        finding.outcome(),
                        finding.confidence(),
                        finding.matches().stream()
                                .map(match -> linked(match, asked))
                                .toList(),
                        finding.also().stream()
                                .map(match -> linked(match, asked))
                                .toList(),
                        finding.note());
            }

            @Override
            public Optional<Match> entry(String ref) {
                List<String> own = knowledge.collectionsOf(bot);
                return knowledge.entryByRef(own, ref).map(match -> linked(match, own));
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

            /** What an article says comes with the way to it. */
            private Match linked(Match match, List<String> asked) {
                if (match.source() != Finding.Source.ARTICLE) {
                    return match.ties().article().isEmpty() ? match : further(match, asked);
                }
                String heading = knowledge
                        .articleByRef(asked, match.ref())
                        .map(article -> match.title()
                                .substring(Math.min(
                                        match.title().length(), article.title().length())))
                        .orElse("");
                String part = heading.startsWith(": ") ? "#" + Markdown.anchor(heading.substring(2)) : "";
                return linking(match, match.title(), match.ref(), part);
            }

            /** An entry with the article that says more. */
            private Match further(Match match, List<String> asked) {
                String ref = match.ties().article();
                return knowledge
                        .articleByRef(asked, ref)
                        .map(article -> linking(match, article.title(), ref, ""))
                        .orElse(match);
            }

            private Match linking(Match match, String title, String ref, String part) {
                String link = "\n\n[" + title.replaceAll("[\\[\\]]", "") + "](/chat/" + bot + "/articles/"
                        + UriUtils.encodePathSegment(ref, StandardCharsets.UTF_8) + part + ")";
                return match.saying(
                        match.answers().stream().map(answer -> answer + link).toList());
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
