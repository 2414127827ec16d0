package com.shuttle.chat;

import com.shuttle.core.acts.ActReader;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.booking.BookingFound;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.World;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.ReadOn;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.knowledge.Meanings;
import com.shuttle.marks.MarkService;
import com.shuttle.model.Helper;
import com.shuttle.settings.AccountService;
import com.shuttle.tables.TableService;
import com.shuttle.web.Markdown;
import com.shuttle.web.PublicAddress;
import com.shuttle.web.Vault;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;
import org.springframework.web.util.UriUtils;

/** What a bot may look at outside its conversation. Thread-safe. */
@Component
public class BotWorld {

    private final KnowledgeService knowledge;
    private final ActReader acts;
    private final MarkService marks;
    private final AccountService accounts;
    private final TableService tables;
    private final Helper helper;
    private final Vault vault;
    private final ObjectProvider<Telling> telling;
    private final ObjectProvider<Times> times;
    private final PublicAddress reached;

    BotWorld(
            KnowledgeService knowledge,
            Meanings meanings,
            MarkService marks,
            AccountService accounts,
            TableService tables,
            Helper helper,
            Vault vault,
            ObjectProvider<Telling> telling,
            ObjectProvider<Times> times,
            PublicAddress reached) {
        this.reached = reached;
        this.knowledge = knowledge;
        this.acts = new ActReader(meanings);
        this.marks = marks;
        this.accounts = accounts;
        this.tables = tables;
        this.helper = helper;
        this.vault = vault;
        this.telling = telling;
        this.times = times;
    }

    /** The world of one bot in one turn of a conversation; for one thread. */
    public World of(String bot, String conversation) {
        return new Turns(bot, conversation);
    }

    private final class Turns implements World {
        private final String bot;
        private final String conversation;

        /** One turn may ask the same more than once. */
        private final Map<Query.Ask, Finding> findings = new HashMap<>();

        Turns(String bot, String conversation) {
            this.bot = bot;
            this.conversation = conversation;
        }

        @Override
        public <R> R reply(Query<R> query) {
            return query.type()
                    .cast(
                            switch (query) {
                                case Query.Ask ask -> findings.computeIfAbsent(ask, this::ask);
                                case Query.Entry entry -> entry(entry.ref());
                                case Query.Closeness closeness ->
                                    knowledge.closeness(closeness.text(), closeness.others());
                                case Query.Acts asked ->
                                    acts.read(asked.clauses(), asked.situation(), asked.context(), marks.of(bot))
                                            .toArray(Odds[]::new);
                                case Query.Staffed staffed -> accounts.staffed(staffed.team());
                                case Query.Open open -> open(open.teams());
                                case Query.Rows rows -> tables.find(rows);
                                case Query.MaySave save -> tables.maySave(save.rows());
                                case Query.Times wanted ->
                                    times.getObject().free(wanted.kind(), wanted.party(), wanted.with());
                                case Query.FirstFree first -> times.getObject().first(first.kind());
                                case Query.Held held -> times.getObject().held(held.reference());
                                case Query.Booked one -> times.getObject().booked(one.reference(), one.email());
                                case Query.OwnBookings own ->
                                    times.getObject()
                                            .own(conversation, own.visitor())
                                            .toArray(BookingFound[]::new);
                                case Query.MayTell tell -> telling.getObject().may(tell.deed());
                                case Query.SignalAddress address ->
                                    reached.of(SignalController.path(vault, conversation, address.key()));
                                case Query.Consults consults -> helper.consults(consults.finding());
                            });
        }

        private Finding ask(Query.Ask ask) {
            return knowledge
                    .askFor(bot, within(ask.collections()), ask.inquiry())
                    .with(this::linked);
        }

        /** A bot asks its own collections only, whatever its steps name. */
        private List<String> within(List<String> collections) {
            List<String> own = knowledge.collectionsOf(bot);
            return collections.isEmpty()
                    ? own
                    : collections.stream().filter(own::contains).toList();
        }

        private Finding entry(String ref) {
            return knowledge
                    .entryByRef(knowledge.collectionsOf(bot), ref)
                    .map(match -> new Finding(Finding.Outcome.ANSWER, 1, List.of(linked(match))))
                    .orElse(Finding.NOTHING);
        }

        private String[] open(List<String> teams) {
            List<String> wanted =
                    teams.stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
            return accounts.teams().stream()
                    .filter(team -> wanted.contains(team.name().toLowerCase(Locale.ROOT)))
                    .filter(team -> accounts.staffed(team.id()))
                    .map(team -> team.name().toLowerCase(Locale.ROOT))
                    .toArray(String[]::new);
        }

        /** What may be read on comes with the way to it. */
        private Match linked(Match match) {
            ReadOn readOn = match.readOn();
            if (readOn == null) {
                return match;
            }
            boolean entry = match.source() == Finding.Source.ENTRY;
            String part = readOn.heading().isEmpty() ? "" : "#" + Markdown.anchor(readOn.heading());
            String words = (entry ? readOn.title() : readOn.words()).replaceAll("[\\[\\]]", "");
            String link = "\n\n[" + words + "](/chat/" + bot + "/articles/"
                    + UriUtils.encodePathSegment(readOn.article(), StandardCharsets.UTF_8) + part + ")";
            return match.saying(
                    match.answers().stream().map(answer -> answer + link).toList());
        }
    }
}
