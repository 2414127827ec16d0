package com.shuttle.core.acts;

import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.knowledge.AskedTables;
import com.shuttle.core.knowledge.Distractors;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import java.io.IOException;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * What conversations make of the samples: each message of one clause is said to a bot that stands where it was sent, with odds that
 * were learnt without the message's file and knowledge of another trade, and what comes of it is compared with what the message
 * does. It measures what is decided, where the figures of acts measure what is known before. Prints a line a kind.
 */
public final class Turns {

    private static final float SHARPNESS = 0.9f;

    /** What a turn may make of a message. */
    enum Came {
        FILED,
        REFUSED,
        HELPED,
        MENDED,
        ASKED_WHAT_TO_MEND,
        ASKED,
        EXPLAINED,
        GRANTED,
        MET,
        PASSED_ON,
        CHECKED,
        NOT_UNDERSTOOD
    }

    private static final Map<String, Came> RULES = new HashMap<>();

    private static void rules(Came came, String... rules) {
        for (String rule : rules) {
            RULES.put(rule, came);
        }
    }

    static {
        rules(Came.FILED, "answer to the question", "answer to the choice", "does not fit");
        rules(Came.REFUSED, "refused", "left out", "declined");
        rules(Came.HELPED, "does not know", "left open", "does not mind");
        rules(Came.MENDED, "changed", "back to a question", "another choice");
        rules(Came.ASKED_WHAT_TO_MEND, "wants to change something");
        rules(Came.ASKED, "suggests", "answered from knowledge", "not in the knowledge");
        rules(Came.EXPLAINED, "asked back", "did not understand");
        rules(Came.GRANTED, "standing request", "recap", "wants out", "about a booking");
        rules(Came.MET, "social", "anger", "another language");
        rules(Came.PASSED_ON, "told besides", "also read");
        rules(Came.CHECKED, "may be the answer", "unclear");
        rules(Came.NOT_UNDERSTOOD, "not understood", "a value nobody asked for");
    }

    private static Set<Came> well(Kind kind) {
        return switch (kind) {
            case ANSWER, AGREE -> EnumSet.of(Came.FILED, Came.CHECKED, Came.MENDED);
            case DENY -> EnumSet.of(Came.FILED, Came.CHECKED, Came.MENDED, Came.REFUSED);
            case TELL -> EnumSet.of(Came.PASSED_ON, Came.MET);
            case CORRECT -> EnumSet.of(Came.MENDED, Came.CHECKED);
            case KNOWLEDGE -> EnumSet.of(Came.ASKED);
            case THIS_QUESTION -> EnumSet.of(Came.ASKED, Came.EXPLAINED);
            case PERSON, RECAP, STOP, RESTART -> EnumSet.of(Came.GRANTED);
            case BACK, CHANGE -> EnumSet.of(Came.GRANTED, Came.MENDED, Came.ASKED_WHAT_TO_MEND);
            case BOOKING, OTHER -> EnumSet.of(Came.ASKED, Came.GRANTED, Came.MENDED);
            case GOAL -> EnumSet.of(Came.ASKED, Came.GRANTED, Came.FILED);
            case REFUSE -> EnumSet.of(Came.REFUSED, Came.HELPED, Came.EXPLAINED);
            case NOT_YET -> EnumSet.of(Came.HELPED, Came.REFUSED);
            case ANY -> EnumSet.of(Came.HELPED, Came.FILED);
            case OK -> EnumSet.of(Came.MET, Came.FILED);
            case COMPLAINT -> EnumSet.of(Came.MET, Came.GRANTED);
            case ROBOT -> EnumSet.of(Came.MET, Came.ASKED);
            case CHAT, MENTION -> EnumSet.of(Came.MET, Came.PASSED_ON);
            case GREETING, THANKS, REACTION, LAUGHTER -> EnumSet.of(Came.MET);
        };
    }

    private record Judged(Kind kind, Set<Came> came) {
        boolean right() {
            Set<Came> well = well(kind);
            boolean filed = came.contains(Came.FILED) && !well.contains(Came.FILED) && kind != Kind.CORRECT;
            return !filed && came.stream().anyMatch(well::contains);
        }
    }

    private final Meaning meaning = Learn.keeping(Meaning.shipped());
    private final List<Samples.Message> all = Samples.all();
    private final List<KnowledgeIndex> known;
    private final Map<String, ActReader> readers;
    private final Map<String, List<Situation>> trades;

    private Turns() throws IOException {
        known = Distractors.of(meaning);
        trades = all.stream()
                .collect(Collectors.groupingBy(
                        Samples.Message::trade, Collectors.mapping(Samples.Message::situation, Collectors.toList())));
        List<Learn.Row> rows = Learn.rows(meaning);
        readers = Samples.FILES.parallelStream()
                .collect(Collectors.toMap(
                        file -> file,
                        file -> new ActReader(
                                meaning,
                                ActTraining.fit(
                                        rows.stream()
                                                .filter(row -> !row.file().equals(file))
                                                .map(Learn.Row::example)
                                                .toList(),
                                        "",
                                        SHARPNESS))));
    }

    /** @param args of so many messages one is played; each by itself where it is left out */
    public static void main(String[] args) throws IOException {
        List<Judged> judged = judged(args.length == 0 ? 1 : Integer.parseInt(args[0]));
        print("all", judged);
        for (Kind kind : Kind.values()) {
            print(kind.key(), of(kind, judged));
        }
    }

    private static List<Judged> judged(int every) throws IOException {
        Turns turns = new Turns();
        return IntStream.range(0, turns.all.size())
                .filter(i -> i % every == 0)
                .parallel()
                .mapToObj(turns::played)
                .flatMap(Optional::stream)
                .toList();
    }

    private static List<Judged> of(Kind kind, List<Judged> judged) {
        return judged.stream().filter(one -> one.kind() == kind).toList();
    }

    private static double right(List<Judged> judged) {
        return judged.stream().filter(Judged::right).count() / (double) Math.max(1, judged.size());
    }

    /** The part of the page of proof that tells them. */
    static String section() throws IOException {
        List<Judged> judged = judged(1);
        StringBuilder page = new StringBuilder("""

                ## What conversations make of them

                Each sample of one clause, said to a bot that stands where it was sent, with odds that were learnt without its file and
                the knowledge of another trade. *Right*: the conversation did what the sample's author meant it to do; a value filed
                that was none is wrong, whatever else was done.

                | kind | messages | right |
                | --- | --- | --- |
                """);
        row(page, "all", judged);
        for (Kind kind : Kind.values()) {
            row(page, kind.label(), of(kind, judged));
        }
        return page.toString();
    }

    private static void row(StringBuilder page, String what, List<Judged> judged) {
        page.append("| %s | %d | %s |\n"
                .formatted(
                        what,
                        judged.size(),
                        String.format(Locale.ROOT, "%.3f", right(judged)).replace("0.", ".")));
    }

    private static void print(String what, List<Judged> judged) {
        Map<Came, Integer> wrong = new EnumMap<>(Came.class);
        judged.stream()
                .filter(one -> !one.right())
                .forEach(one -> one.came().forEach(came -> wrong.merge(came, 1, Integer::sum)));
        System.out.printf("%-14s %5d right %.3f, otherwise %s%n", what, judged.size(), right(judged), wrong);
    }

    private Optional<Judged> played(int index) {
        Samples.Message message = all.get(index);
        Pending pending = message.situation().pending();
        if (message.clauses().size() != 1 || pending == Pending.CONFIRM || pending == Pending.OFFERED) {
            return Optional.empty();
        }
        ActReader reader = readers.get(message.file());
        KnowledgeIndex other = known.get(index % known.size());
        Function<Query.Acts, Odds[]> acts =
                asked -> reader.read(asked.clauses(), asked.situation(), asked.context(), List.of())
                        .toArray(Odds[]::new);
        Silent world = new Silent(
                acts,
                ask -> other.ask(ask.inquiry(), AskedTables.NONE),
                asked -> meaning.closeness(asked.text(), asked.others()));
        return new SampleBot(message.situation(), trades.get(message.trade()))
                .says(message.text(), world)
                .map(turn -> new Judged(message.clauses().getFirst().kind(), came(turn)));
    }

    private static Set<Came> came(Turn.Taken turn) {
        Set<Came> came = EnumSet.noneOf(Came.class);
        for (TraceLine line : turn.trace()) {
            Came rule = RULES.get(line.rule());
            if (rule != null) {
                came.add(rule);
            }
        }
        return came;
    }
}
