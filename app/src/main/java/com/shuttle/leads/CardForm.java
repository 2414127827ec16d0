package com.shuttle.leads;

import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.Scorecard.Band;
import com.shuttle.core.flow.Scorecard.Case;
import com.shuttle.core.flow.Scorecard.Criterion;
import com.shuttle.core.flow.Scorecard.Group;
import com.shuttle.core.flow.Scorecard.Is;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * A scorecard as the fields of a form say it: groups are named {@code g.N.}, their criteria {@code g.N.c.M.}, the cases of those
 * {@code g.N.c.M.k.L.} and bands {@code b.N.}. What is to be added or taken away besides is {@code do}: {@code add:} or
 * {@code drop:} with the place. Pure functions.
 */
final class CardForm {

    private static final int LONGEST = 300;
    private static final int MOST = 60;

    private final Map<String, String> form;
    private final String act;
    private final Set<String> ids = new HashSet<>();

    private CardForm(Map<String, String> form) {
        this.form = form;
        this.act = form.getOrDefault("do", "");
    }

    static Scorecard read(String id, Map<String, String> form) {
        return new CardForm(form).card(id);
    }

    private Scorecard card(String id) {
        List<Group> groups = new ArrayList<>();
        for (String at : places("g.")) {
            groups.add(new Group(id(at, "g"), line(at + "name"), most(at + "most"), criteria(at)));
        }
        if (act.equals("add:g")) {
            groups.add(new Group(fresh("g"), "", null, List.of()));
        }
        List<Band> bands = new ArrayList<>();
        for (String at : places("b.")) {
            bands.add(new Band(id(at, "b"), line(at + "name"), number(at + "from", -100_000, 100_000)));
        }
        if (act.equals("add:b")) {
            int top = bands.stream().mapToInt(Band::from).max().orElse(-20);
            bands.add(new Band(fresh("b"), "", top + 20));
        }
        return new Scorecard(id, line("name"), groups, bands);
    }

    private List<Criterion> criteria(String group) {
        List<Criterion> criteria = new ArrayList<>();
        for (String at : places(group + "c.")) {
            criteria.add(new Criterion(
                    id(at, "r"), line(at + "about"), line(at + "called"), cases(at), points(at + "unknown")));
        }
        if (act.equals("add:" + group + "c")) {
            String id = fresh("r");
            criteria.add(new Criterion(id, "", "", List.of(new Case(fresh("k"), Is.AT_LEAST, "", "", 10, false)), 0));
        }
        return criteria;
    }

    private List<Case> cases(String criterion) {
        List<Case> cases = new ArrayList<>();
        for (String at : places(criterion + "k.")) {
            cases.add(new Case(
                    id(at, "k"),
                    is(form.getOrDefault(at + "is", "")),
                    line(at + "value"),
                    line(at + "to"),
                    points(at + "points"),
                    form.containsKey(at + "out")));
        }
        if (act.equals("add:" + criterion + "k")) {
            cases.add(new Case(fresh("k"), Is.AT_LEAST, "", "", 10, false));
        }
        return cases;
    }

    /** The places {@code prefix0.}, {@code prefix1.} and so on that the form has, but those that are to be taken away. */
    private List<String> places(String prefix) {
        Set<Integer> numbers = new TreeSet<>();
        for (String field : form.keySet()) {
            if (field.startsWith(prefix)) {
                String number = field.substring(prefix.length()).replaceFirst("\\..*", "");
                if (number.matches("\\d{1,3}")) {
                    numbers.add(Integer.valueOf(number));
                }
            }
        }
        return numbers.stream()
                .limit(MOST)
                .map(number -> prefix + number + ".")
                .filter(at -> !act.equals("drop:" + at))
                .toList();
    }

    private String id(String at, String kind) {
        String id = form.getOrDefault(at + "id", "");
        return id.matches("[a-z][a-z0-9]{0,20}") && ids.add(id) ? id : fresh(kind);
    }

    private String fresh(String kind) {
        Set<String> taken = new HashSet<>(ids);
        form.forEach((field, value) -> {
            if (field.endsWith(".id")) {
                taken.add(value);
            }
        });
        int n = 1;
        while (taken.contains(kind + n)) {
            n++;
        }
        ids.add(kind + n);
        return kind + n;
    }

    private String line(String field) {
        String line = Words.clean(form.getOrDefault(field, "")).strip().replaceAll("\\s+", " ");
        return line.length() <= LONGEST ? line : line.substring(0, LONGEST);
    }

    private int points(String field) {
        return number(field, -Scorecard.MOST_POINTS, Scorecard.MOST_POINTS);
    }

    private @Nullable Integer most(String field) {
        return form.getOrDefault(field, "").isBlank() ? null : number(field, 0, 100_000);
    }

    private int number(String field, int least, int most) {
        String written =
                form.getOrDefault(field, "").strip().replace('\u2212', '-').replaceFirst("^\\+", "");
        return written.matches("-?\\d{1,6}") ? Math.clamp(Integer.parseInt(written), least, most) : 0;
    }

    private static Is is(String key) {
        for (Is is : Is.values()) {
            if (is.key().equals(key)) {
                return is;
            }
        }
        return Is.AT_LEAST;
    }
}
