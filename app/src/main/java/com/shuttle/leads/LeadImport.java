package com.shuttle.leads;

import com.shuttle.core.people.Identity;
import com.shuttle.core.people.People;
import com.shuttle.core.reading.Words;
import com.shuttle.exchange.Sheet;
import com.shuttle.leads.HistoryStore.Said;
import com.shuttle.web.Formulas;
import com.shuttle.web.Ids;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Brings leads in from a sheet. Whoever is known by the email or the phone is added to; what is faulty is left out and told. Thread-safe. */
@Service
class LeadImport {

    /** Rows that are kept at a time. */
    private static final int PART = 200;

    private static final int MOST_FAULTS = 400;

    private final PersonStore people;
    private final HistoryStore history;
    private final LeadSetUp setUp;
    private final InstantSource clock;
    private final TransactionTemplate transaction;

    LeadImport(
            PersonStore people,
            HistoryStore history,
            LeadSetUp setUp,
            InstantSource clock,
            PlatformTransactionManager transactions) {
        this.people = people;
        this.history = history;
        this.setUp = setUp;
        this.clock = clock;
        this.transaction = new TransactionTemplate(transactions);
    }

    /**
     * What came of it.
     *
     * @param made    how many are new
     * @param known   how many were known already
     * @param left    how many rows were left out
     * @param faults  why, by their lines, the first of them
     * @param ignored headings that are no field
     */
    record Outcome(int made, int known, int left, List<String> faults, List<String> ignored) {}

    /** @param region where phone numbers are dialled as they stand */
    Outcome bring(Sheet sheet, String region, String account) {
        Map<Integer, LeadField> columns = new LinkedHashMap<>();
        List<String> ignored = new ArrayList<>();
        int tags = -1;
        for (int i = 0; i < sheet.header().size(); i++) {
            String head = sheet.header().get(i).strip();
            LeadField field = field(head);
            if (field != null) {
                columns.put(i, field);
            } else if (head.equalsIgnoreCase("tags")) {
                tags = i;
            } else if (!head.isEmpty()) {
                ignored.add(head);
            }
        }
        List<String> faults = new ArrayList<>();
        int[] counts = new int[3];
        for (int from = 0; from < sheet.rows().size(); from += PART) {
            List<Sheet.Row> part = sheet.rows()
                    .subList(from, Math.min(from + PART, sheet.rows().size()));
            int tagColumn = tags;
            transaction.executeWithoutResult(status -> part.forEach(row -> {
                String fault = bring(row, columns, tagColumn, region, account, counts);
                if (!fault.isEmpty()) {
                    counts[2]++;
                    if (faults.size() < MOST_FAULTS) {
                        faults.add("Line " + row.line() + ": " + fault);
                    }
                }
            }));
        }
        return new Outcome(counts[0], counts[1], counts[2], faults, ignored);
    }

    private @Nullable LeadField field(String head) {
        return setUp.fields().stream()
                .filter(field ->
                        field.name().equalsIgnoreCase(head) || field.id().equalsIgnoreCase(head))
                .findFirst()
                .orElse(null);
    }

    /** @return what is wrong with a row; empty where it was brought in */
    private String bring(
            Sheet.Row row, Map<Integer, LeadField> columns, int tags, String region, String account, int[] counts) {
        Map<String, String> values = new HashMap<>();
        for (Map.Entry<Integer, LeadField> column : columns.entrySet()) {
            String written = cell(row, column.getKey());
            String fault = column.getValue().fault(written, region);
            if (!fault.isEmpty()) {
                return fault;
            }
            if (!written.isEmpty()) {
                values.put(column.getValue().id(), written);
            }
        }
        String email = Identity.email(values.getOrDefault("email", ""));
        String phone = values.containsKey("phone") ? Identity.phone(values.get("phone"), region) : "";
        if (email.isEmpty() && phone.isEmpty()) {
            return "There is neither an email nor a phone number.";
        }
        people.lock(List.of(email, phone));
        Instant now = clock.instant();
        String name = values.getOrDefault("name", "");
        List<Person> known = people.at(email, phone);
        String is = People.match(
                        new People.Claim(name, email, phone),
                        known.stream()
                                .map(one -> new People.Known(one.id(), one.name(), one.email(), one.phone()))
                                .toList())
                .is();
        Person before =
                known.stream().filter(one -> one.id().equals(is)).findFirst().orElse(null);
        boolean makes = before == null;
        Person person = before == null ? PersonDraft.nobody(Ids.next(), now, "", "import", "", "") : before;
        if (makes) {
            people.insert(person);
        }
        PersonDraft draft = new PersonDraft(person);
        draft.name = Identity.fuller(person.name(), name);
        draft.email = email.isEmpty() ? person.email() : email;
        draft.phone = phone.isEmpty() ? person.phone() : phone;
        draft.company = values.getOrDefault("company", person.company());
        if (person.leadAt() == null) {
            draft.leadAt = now;
            draft.state = setUp.first().id();
        }
        draft.tags = tagged(person, tags < 0 ? "" : cell(row, tags));
        people.update(draft.done());
        values.put("email", email);
        values.put("phone", phone);
        keep(person.id(), values, account, now);
        history.happened(new PersonEvent(
                Ids.next(),
                person.id(),
                makes ? PersonEvent.Kind.MADE : PersonEvent.Kind.EDITED,
                "brought in from a file",
                account,
                "",
                null,
                now));
        counts[makes ? 0 : 1]++;
        return "";
    }

    private void keep(String person, Map<String, String> values, String account, Instant now) {
        values.forEach((field, content) -> {
            if (!content.isEmpty()) {
                history.said(person, new Said(field, content, "", account, now));
                setUp.own().stream()
                        .filter(own -> own.id().equals(field))
                        .findFirst()
                        .ifPresent(own -> history.field(person, field, content, own.figure(content)));
            }
        });
    }

    private static List<String> tagged(Person person, String written) {
        List<String> tags = new ArrayList<>(person.tags());
        for (String tag : written.split("[,;]")) {
            String bare = tag.strip();
            if (!bare.isEmpty() && tags.size() < 20 && tags.stream().noneMatch(bare::equalsIgnoreCase)) {
                tags.add(bare.substring(0, Math.min(40, bare.length())));
            }
        }
        return tags;
    }

    private static String cell(Sheet.Row row, int column) {
        String cell = column < row.cells().size() ? row.cells().get(column) : "";
        return Words.clean(Formulas.untold(cell)).strip();
    }
}
