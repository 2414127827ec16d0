package com.shuttle.leads;

import com.shuttle.web.Listing.Column;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The columns that the list of leads can have, and what stands in them. Thread-safe. */
@Component
class LeadColumns {

    /** Those that are shown where nobody has chosen others. */
    static final String USUAL = "band,points,state,owner,task,bot,last";

    private final LeadSetUp setUp;
    private final Owners owners;
    private final Tasks tasks;
    private final HistoryStore history;

    LeadColumns(LeadSetUp setUp, Owners owners, Tasks tasks, HistoryStore history) {
        this.setUp = setUp;
        this.owners = owners;
        this.tasks = tasks;
        this.history = history;
    }

    /** What is known of a person beside their own row. */
    record Beside(Map<String, String> fields, @Nullable LeadTask task, String owner, String state, String bot) {}

    /** @param of what stands there as text */
    record Of(String key, Column column, Function<Row, String> of) {}

    /** A person with what is known beside. */
    record Row(Person person, Beside beside) {
        /** Cells of the chosen columns, in their order. */
        List<String> cells(List<Of> chosen) {
            return chosen.stream().map(column -> column.of().apply(this)).toList();
        }
    }

    /** Every column but the name, which is always the first. */
    List<Of> all() {
        List<Of> all = new ArrayList<>(List.of(
                new Of(
                        "band",
                        Column.sorted("Band", "band"),
                        row -> row.person().band()),
                new Of(
                        "points",
                        Column.sorted("Points", "points").number(),
                        row -> row.person().points() == null
                                ? ""
                                : String.valueOf(row.person().points())),
                new Of(
                        "state",
                        Column.sorted("State", "state"),
                        row -> row.beside().state()),
                new Of(
                        "owner",
                        Column.sorted("Owner", "owner"),
                        row -> row.beside().owner()),
                new Of("task", Column.plain("Next task"), LeadColumns::task),
                new Of(
                        "email",
                        Column.sorted("Email", "email"),
                        row -> row.person().email()),
                new Of("phone", Column.plain("Phone"), row -> row.person().phone()),
                new Of(
                        "company",
                        Column.sorted("Company", "company"),
                        row -> row.person().company()),
                new Of(
                        "tags",
                        Column.plain("Tags"),
                        row -> String.join(", ", row.person().tags())),
                new Of(
                        "worth",
                        Column.sorted("Worth", "worth").number(),
                        row -> row.person().worth().signum() == 0
                                ? ""
                                : row.person().worth().stripTrailingZeros().toPlainString()),
                new Of("bot", Column.plain("Met by"), row -> row.beside().bot()),
                new Of(
                        "consent",
                        Column.plain("Agrees to mail"),
                        row -> row.person().mayBeWrittenTo() ? "yes" : "no"),
                new Of("channel", Column.plain("Channel"), row -> row.person().channel()),
                new Of("page", Column.plain("Page"), row -> row.person().page()),
                new Of("campaign", Column.plain("Campaign"), row -> row.person().campaign()),
                new Of(
                        "conversations",
                        Column.sorted("Conversations", "conversations").number(),
                        row -> String.valueOf(row.person().conversations())),
                new Of(
                        "made",
                        Column.sorted("Lead since", "made"),
                        row -> day(row.person().leadAt())),
                new Of(
                        "last",
                        Column.sorted("Last heard", "last"),
                        row -> day(row.person().lastAt()))));
        for (LeadField field : setUp.own()) {
            all.add(new Of(
                    "field:" + field.id(),
                    Column.sorted(field.name(), "field:" + field.id()),
                    row -> row.beside().fields().getOrDefault(field.id(), "")));
        }
        return all;
    }

    /** The chosen ones in the order in which they all stand. @param keys separated by commas */
    List<Of> chosen(String keys) {
        List<String> wanted = Arrays.asList(keys.split(","));
        return all().stream().filter(one -> wanted.contains(one.key())).toList();
    }

    List<Row> rows(List<Person> people, Map<String, String> botNames) {
        List<String> ids = people.stream().map(Person::id).toList();
        Map<String, Map<String, String>> fields = ids.isEmpty() ? Map.of() : history.fields(ids);
        Map<String, LeadTask> next = tasks.next(ids);
        return people.stream()
                .map(person -> new Row(
                        person,
                        new Beside(
                                fields.getOrDefault(person.id(), Map.of()),
                                next.get(person.id()),
                                person.owner().isEmpty() ? "" : owners.name(person.owner()),
                                person.state().isEmpty()
                                        ? ""
                                        : setUp.state(person.state()).name(),
                                botNames.getOrDefault(person.bot(), ""))))
                .toList();
    }

    private static String task(Row row) {
        LeadTask task = row.beside().task();
        return task == null ? "" : task.words() + (task.dueAt() == null ? "" : ", " + day(task.dueAt()));
    }

    static String day(java.time.@Nullable Instant at) {
        return at == null
                ? ""
                : java.time.format.DateTimeFormatter.ofPattern("d MMM yyyy", java.util.Locale.ENGLISH)
                        .format(at.atZone(java.time.ZoneOffset.UTC));
    }
}
