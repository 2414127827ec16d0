package com.shuttle.leads;

import com.shuttle.leads.Segment.Term;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Kept segments. Thread-safe. */
@Service
public class Segments {

    private static final int MOST_TERMS = 20;
    private static final int LONGEST = 200;

    private final SegmentStore store;
    private final LeadSearchStore search;
    private final Aspects aspects;
    private final InstantSource clock;

    Segments(SegmentStore store, LeadSearchStore search, Aspects aspects, InstantSource clock) {
        this.store = store;
        this.search = search;
        this.aspects = aspects;
        this.clock = clock;
    }

    public List<Segment> all() {
        return store.all();
    }

    public Optional<Segment> find(String id) {
        return store.find(id);
    }

    /** @throws Missing if there is no such segment */
    public Segment segment(String id) {
        return find(id).orElseThrow(() -> new Missing("segment", id));
    }

    /** How many leads are in it now. */
    public int count(Segment segment) {
        return search.count(segment);
    }

    /** Ids of all leads in it now. */
    public List<String> people(Segment segment) {
        return search.ids(Wanted.ALL, segment);
    }

    /** Whether somebody is in it now. */
    public boolean has(Segment segment, String person) {
        return search.isIn(person, segment);
    }

    /** In words. */
    public String words(Segment segment) {
        return aspects.words(segment);
    }

    /** Keeps a segment. @param wanted with an empty id for a new one */
    @Transactional
    public Checked<Segment> keep(Segment wanted) {
        String name = wanted.name().strip();
        Checked.Errors errors = new Checked.Errors()
                .named(name, "name")
                .require(
                        store.all().stream()
                                .noneMatch(other -> other.name().equalsIgnoreCase(name)
                                        && !other.id().equals(wanted.id())),
                        "name",
                        "There is a segment of this name.")
                .require(!wanted.terms().isEmpty(), "terms", "Add a condition; without one everybody is in it.");
        List<Aspect> all = aspects.all();
        for (int i = 0; i < wanted.terms().size(); i++) {
            errors.require(
                    fault(wanted.terms().get(i), all).isEmpty(),
                    "term." + i,
                    fault(wanted.terms().get(i), all));
        }
        Optional<Checked<Segment>> bad = errors.bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        Segment kept =
                new Segment(wanted.id().isEmpty() ? Ids.next() : wanted.id(), name, wanted.anyOf(), wanted.terms());
        store.keep(kept, clock.instant());
        return Checked.good(kept);
    }

    @Transactional
    public void delete(String id) {
        store.delete(id);
    }

    private static String fault(Term term, List<Aspect> all) {
        Aspect aspect = all.stream()
                .filter(one -> one.key().equals(term.field()))
                .findFirst()
                .orElse(null);
        if (aspect == null) {
            return "Choose what is compared.";
        }
        if (!aspect.takes(term.how())) {
            return "“" + aspect.label() + "” cannot be compared like this.";
        }
        if (!term.how().compares()) {
            return "";
        }
        return switch (aspect.sort()) {
            case NUMBER -> SegmentTermsStore.number(term.value()) == null ? "Give a number." : "";
            case DATE ->
                switch (term.how()) {
                    case WITHIN, BEFORE -> term.value().strip().matches("\\d{1,5}") ? "" : "Give a number of days.";
                    default ->
                        term.value().strip().matches("\\d{4}-\\d\\d-\\d\\d") ? "" : "Give a day such as 2026-03-10.";
                };
            case TEXT, CHOICE, FLAG -> term.value().isBlank() ? "Give what it is compared with." : "";
        };
    }

    /** The segment that the fields of a form say: {@code any}, {@code term.N.field}, {@code .how} and {@code .value}. */
    static Segment of(String id, Map<String, String> form) {
        TreeSet<Integer> numbers = new TreeSet<>();
        for (String name : form.keySet()) {
            if (name.matches("term\\.\\d{1,3}\\.field")) {
                numbers.add(Integer.valueOf(name.split("\\.")[1]));
            }
        }
        List<Term> terms = new ArrayList<>();
        for (int number : numbers) {
            String at = "term." + number + ".";
            String field = form.getOrDefault(at + "field", "");
            if (!field.isEmpty() && terms.size() < MOST_TERMS) {
                String value = form.getOrDefault(at + "value", "").strip();
                terms.add(new Term(
                        field,
                        Segment.How.of(form.getOrDefault(at + "how", "is").toLowerCase(Locale.ROOT)),
                        value.substring(0, Math.min(LONGEST, value.length()))));
            }
        }
        return new Segment(id, form.getOrDefault("name", ""), form.containsKey("any"), terms);
    }
}
