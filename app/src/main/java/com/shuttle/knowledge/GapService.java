package com.shuttle.knowledge;

import com.shuttle.core.engine.Engine;
import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.GapGroups;
import com.shuttle.core.knowledge.Inquiry;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.core.knowledge.Ref;
import com.shuttle.core.knowledge.TableMatch;
import com.shuttle.core.reading.Words;
import com.shuttle.knowledge.GapStore.Asked;
import com.shuttle.web.Page;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Questions that no knowledge answered. Thread-safe. */
@Service
public class GapService {

    /** Older wordings than these wait until the newer ones are answered. */
    private static final int MOST = 1000;

    /** Phrasings a gap adds to an entry at once. */
    private static final int MOST_PHRASINGS = 5;

    /** Titles to choose from. */
    private static final int MOST_TITLES = 2000;

    private final GapStore store;
    private final KnowledgeService knowledge;
    private final EntryService entries;
    private final Meaning meanings;

    GapService(GapStore store, KnowledgeService knowledge, EntryService entries, Meaning meanings) {
        this.store = store;
        this.knowledge = knowledge;
        this.entries = entries;
        this.meanings = meanings;
    }

    /** Notes a gap, unless it is none: a greeting, or the wish for a person. Belongs into the transaction of the turn that found it. */
    @Transactional
    public void note(String bot, String conversation, String question, Instant at) {
        if (Engine.isStandingRequest(question) || knowledge.isPleasantry(question)) {
            return;
        }
        store.insert(bot, conversation, question, Words.normal(question), false, at);
    }

    /** Notes what answered a question; belongs into the transaction of the turn. */
    @Transactional
    public void answered(String bot, String conversation, String ref, String question, Instant at) {
        if (ref.startsWith(Pleasantries.REF)) {
            return;
        }
        String plain = TableMatch.table(ref).orElse(ref);
        List<String> collections = knowledge.collectionsOf(bot);
        boolean several = collections.size() > 1;
        String collection =
                several ? plain.substring(0, Math.max(0, plain.indexOf(':'))) : String.join("", collections);
        if (collections.contains(collection)) {
            String own = several ? plain.substring(collection.length() + 1) : plain;
            store.insertAnswered(bot, conversation, collection, own, question, at);
        }
    }

    /** Notes the questions of a conversation whose answers did not please. */
    @Transactional
    public void ratedBadly(String bot, String conversation, Instant at) {
        store.answeredIn(conversation)
                .forEach(question -> store.insert(bot, conversation, question, Words.normal(question), true, at));
    }

    /** Deletes the questions of a conversation, answered or not. */
    @Transactional
    public void forget(String conversation) {
        store.forget(conversation);
    }

    /** Those asked most often first, then the newest. */
    public Page<Gap> list(String bot, int page) {
        List<List<Asked>> groups = groups(bot);
        List<Gap> gaps = groups.stream()
                .skip(Page.offset(page))
                .limit(Page.SIZE)
                .map(group -> gap(bot, group))
                .toList();
        return Page.of(gaps, page, groups.size());
    }

    public int count(String bot) {
        return groups(bot).size();
    }

    private List<List<Asked>> groups(String bot) {
        List<Asked> open = store.open(bot, MOST);
        return GapGroups.of(open.stream().map(Asked::question).toList(), meanings).stream()
                .map(group -> group.stream().map(open::get).toList())
                .sorted(Comparator.comparingInt(GapService::times)
                        .reversed()
                        .thenComparing(group -> group.getFirst().at(), Comparator.reverseOrder()))
                .toList();
    }

    private static int times(List<Asked> group) {
        return group.stream().mapToInt(Asked::times).sum();
    }

    private Gap gap(String bot, List<Asked> group) {
        Asked newest = group.getFirst();
        List<String> collections = knowledge.collectionsOf(bot);
        Gap.Nearest nearest = knowledge.ask(collections, List.of(newest.question())).matches().stream()
                .filter(match -> match.source() == Source.ENTRY)
                .findFirst()
                .map(match -> nearest(collections, match))
                .orElse(null);
        return new Gap(
                newest.id(),
                bot,
                newest.question(),
                times(group),
                group.stream().map(Asked::question).toList(),
                newest.conversation(),
                newest.at(),
                group.stream().anyMatch(Asked::rated),
                nearest);
    }

    private static Gap.Nearest nearest(List<String> collections, Match match) {
        Ref ref = Ref.of(match.ref(), collections.size() == 1 ? collections.getFirst() : "");
        return new Gap.Nearest(ref.collection(), ref.own(), match.title());
    }

    /** The newest open questions, each with how sure an answer would be. */
    public List<KnowledgeService.Sample> samples(String bot, int most) {
        List<String> collections = knowledge.collectionsOf(bot);
        return store.open(bot, most).stream()
                .map(asked -> new KnowledgeService.Sample(
                        asked.question(),
                        knowledge.ask(collections, List.of(asked.question())).confidence(),
                        false))
                .toList();
    }

    private Optional<List<Asked>> group(String bot, String id) {
        return groups(bot).stream()
                .filter(group -> group.stream().anyMatch(asked -> asked.id().equals(id)))
                .findFirst();
    }

    /** A gap by the id of one of its questions. */
    public Optional<Gap> find(String bot, String id) {
        return group(bot, id).map(group -> gap(bot, group));
    }

    /** Takes a gap, and all like it, off the list for good. */
    @Transactional
    public void dismiss(String bot, String id) {
        group(bot, id)
                .ifPresent(group ->
                        store.dismiss(bot, group.stream().map(Asked::normal).toList()));
    }

    /** Adds the wordings of a gap to the entry nearest to it. False if either is no longer there. */
    @Transactional
    public boolean teachNearest(String bot, String id) {
        return find(bot, id)
                .map(Gap::nearest)
                .filter(nearest -> teach(bot, id, nearest.collection(), nearest.ref()))
                .isPresent();
    }

    /** Adds the wordings of a gap to an entry that somebody has chosen by its first phrasing, in any of the bot's collections. */
    @Transactional
    public boolean teach(String bot, String id, String title) {
        return knowledge.collectionsOf(bot).stream()
                .anyMatch(collection -> entries.titled(collection, title)
                        .filter(ref -> teach(bot, id, collection, ref))
                        .isPresent());
    }

    private boolean teach(String bot, String id, String collection, String ref) {
        boolean taught = false;
        for (String wording : find(bot, id).map(Gap::wordings).orElse(List.of()).stream()
                .limit(MOST_PHRASINGS)
                .toList()) {
            taught |= entries.addPhrasing(collection, ref, wording);
        }
        return taught;
    }

    /** The titles of all entries that a gap may be added to. */
    public List<String> titles(String bot) {
        return knowledge.collectionsOf(bot).stream()
                .flatMap(collection -> entries.titles(collection).stream())
                .distinct()
                .limit(MOST_TITLES)
                .toList();
    }

    /** What came of asking all open questions again. */
    public record Again(int answered, int open) {

        public String words() {
            return answered == 0
                    ? "None of them is answered yet."
                    : answered + (answered == 1 ? " wording is" : " wordings are") + " answered now."
                            + (open == 0 ? "" : " " + open + " still open.");
        }
    }

    /** Asks all open questions again; those that are answered now are no gaps any more. */
    @Transactional
    public Again askAgain(String bot) {
        List<String> collections = knowledge.collectionsOf(bot);
        List<Asked> open = store.open(bot, MOST);
        List<String> answered = open.stream()
                .filter(asked -> !asked.rated())
                .filter(asked -> {
                    Finding finding = knowledge.askFor(bot, collections, Inquiry.of(List.of(asked.question())));
                    return finding.outcome() == Outcome.ANSWER;
                })
                .map(Asked::normal)
                .toList();
        store.delete(bot, answered);
        return new Again(answered.size(), open.size() - answered.size());
    }
}
