package com.shuttle.core.table;

import com.shuttle.core.reading.Words;
import com.shuttle.core.table.Adjectives.Adjective;
import com.shuttle.core.table.Adjectives.Form;
import com.shuttle.core.table.Column.Kind;
import com.shuttle.core.table.Condition.Op;
import com.shuttle.core.table.Figures.Figure;
import com.shuttle.core.table.Joining.Atom;
import com.shuttle.core.table.Lexicon.Sense;
import com.shuttle.core.table.Query.Order;
import com.shuttle.core.table.Table.Row;
import com.shuttle.core.table.Terms.Term;
import java.math.BigDecimal;
import java.time.Month;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads one question about one table, from left to right: a comparison waits for its figure, a column for a figure or an
 * order, and what waits in vain is what was asked for. See the package's documentation.
 */
final class TableQuestion {

    /** Longer questions are not about a table. */
    private static final int MOST_WORDS = 60;

    /** Words that ask for a list. */
    private static final Set<String> LISTING = Set.of("which", "what", "list", "show", "all", "every");

    private static final Pattern WORD =
            Pattern.compile("[£$€°%,;]|\\d+(?:,\\d{3})+(?:\\.\\d+)?|\\d+(?:\\.\\d+)?|\\p{L}+(?:'\\p{L}+)?");

    /**
     * A question as it was understood.
     *
     * @param confidence that this is what was asked, 0 to 1
     */
    record Understood(Query query, double confidence) {}

    private final Table table;
    private final Terms terms;
    private final List<String> raw;
    private final List<String> words;

    private final Figures figures;
    private final ColumnChoice columns;
    private final List<Atom> atoms = new ArrayList<>();
    private final Set<Row> named = new LinkedHashSet<>();
    private final Set<Column> wanted = new LinkedHashSet<>();
    private @Nullable Order order;
    private boolean count;
    private boolean noun;
    private boolean plural;
    private boolean ofColumn;
    private boolean howMuch;
    private int lost;
    private int understood;
    private int strong;

    private final Waiting waiting = new Waiting();

    private TableQuestion(Table table, Terms terms, List<String> raw) {
        this.table = table;
        this.terms = terms;
        this.raw = raw;
        words = raw.stream().map(Phrase::singular).toList();
        figures = new Figures(table, raw, words);
        columns = new ColumnChoice(table, terms, words);
    }

    /** What a question asks of a table; empty where it asks nothing of it. */
    static Optional<Understood> read(String question, Table table, Terms terms) {
        String folded = Words.fold(question).replaceAll("'s\\b", "").toLowerCase(Locale.ROOT);
        List<String> raw = WORD.matcher(folded)
                .results()
                .limit(MOST_WORDS + 1L)
                .map(match -> match.group())
                .toList();
        if (raw.size() > MOST_WORDS || table.rows().isEmpty()) {
            return Optional.empty();
        }
        return new TableQuestion(table, terms, raw).read();
    }

    private Optional<Understood> read() {
        for (int i = 0; i < words.size(); ) {
            i += step(i);
        }
        settleWaiting();
        boolean asksForAll = noun
                && plural
                && lost == 0
                && atoms.isEmpty()
                && wanted.isEmpty()
                && raw.stream().anyMatch(LISTING::contains);
        if (strong == 0 && named.isEmpty() && !asksForAll) {
            return Optional.empty();
        }
        List<Column> asked = new ArrayList<>(wanted);
        Condition where = Joining.join(atoms);
        if (!named.isEmpty()) {
            // What is said of a row that was named is asked of it: "is the Corvina motorised?"
            atoms.forEach(atom -> asked.add(atom.column()));
            where = new Condition.All(List.of());
        }
        Query query = new Query(
                table,
                List.copyOf(named),
                where,
                Optional.ofNullable(order),
                count && named.isEmpty(),
                asked.stream().distinct().toList());
        return Optional.of(new Understood(query, confidence()));
    }

    /** The share of the telling words that were understood, squared; less where the table itself is not spoken of. */
    private double confidence() {
        double share = (double) understood / (understood + lost);
        boolean spokenOf = noun || !named.isEmpty();
        boolean onlyValues =
                order == null && !count && atoms.stream().allMatch(atom -> atom.condition() instanceof Condition.Has);
        boolean onlyWanted = atoms.isEmpty() && named.isEmpty() && order == null && !count && !wanted.isEmpty();
        double about = onlyWanted ? 0.5 : spokenOf ? 1 : onlyValues && !ofColumn ? 0.5 : 0.8;
        boolean priceless = howMuch && (wanted.isEmpty() || Set.copyOf(atoms).size() < atoms.size());
        return (priceless ? 0.3 : 0.95) * share * share * about;
    }

    /** Takes what stands at a place; how many words that are. */
    private int step(int i) {
        Optional<Terms.Found> term = terms.at(words, i);
        Optional<Lexicon.Found> sense = Lexicon.at(words, i);
        if (term.isPresent()
                && (sense.isEmpty() || term.get().words() >= sense.get().words())) {
            take(term.get().term(), i, term.get().words());
            understood++;
            return term.get().words();
        }
        Optional<Adjective> compared = Adjectives.of(raw.get(i));
        if (sense.isPresent() && !(compared.isPresent() && sense.get().words() == 1)) {
            return take(sense.get(), i);
        }
        if (compared.isPresent()) {
            return take(compared.get(), i);
        }
        Optional<Figure> figure = figures.at(i);
        if (figure.isPresent()) {
            return take(figure.get(), i);
        }
        Optional<Month> month = Lexicon.month(words.get(i));
        Optional<Column> dates = columns.first(other -> other.kind() == Kind.DATE);
        if (month.isPresent() && dates.isPresent()) {
            add(dates.get(), new Condition.InMonth(dates.get(), month.get()));
            understood++;
            return 1;
        }
        if (words.get(i).matches("[,;]")) {
            return 1;
        }
        if (!Lexicon.empty(raw.get(i)) && !Lexicon.empty(words.get(i))) {
            lost++;
        }
        return 1;
    }

    private void take(Term term, int i, int length) {
        switch (term) {
            case Term.Noun() -> {
                noun = true;
                plural |= !raw.get(i + length - 1).equals(words.get(i + length - 1));
            }
            case Term.OfColumn(Column mentioned) -> mention(mentioned);
            case Term.Titled(Row row) -> title(row);
            case Term.Value(Column of, List<String> phrase, String written) ->
                add(of, new Condition.Has(of, phrase, written));
        }
    }

    /** A row's name: after "lighter than" it stands for its own figure. */
    private void title(Row row) {
        Condition.Op op = waiting.op;
        Column compared = waiting.than ? waiting.compared(columns).orElse(null) : null;
        boolean figure = compared != null
                && !row.at(compared).isEmpty()
                && compared.kind().figures();
        if (op != null && compared != null && figure) {
            add(compared, new Condition.Figure(compared, op, new BigDecimal(row.at(compared))));
        } else {
            named.add(row);
            strong++;
        }
    }

    private void mention(Column mentioned) {
        ofColumn = true;
        if (mentioned.kind() == Kind.YES_NO) {
            boolean yes = !waiting.not;
            waiting.not = false;
            add(mentioned, new Condition.Is(mentioned, yes));
        } else if (waiting.adjective != null && waiting.adjective.form() == Form.SUPERLATIVE) {
            order(mentioned, waiting.adjective.more());
        } else if (!justCompared(mentioned)) {
            settleColumn();
            waiting.column = mentioned;
        }
    }

    /** "150 mm aperture": the column of the figure before. */
    private boolean justCompared(Column mentioned) {
        return !atoms.isEmpty()
                && atoms.getLast().column().equals(mentioned)
                && !(atoms.getLast().condition() instanceof Condition.Has);
    }

    private int take(Lexicon.Found found, int i) {
        switch (found.sense()) {
            case Sense.Compare(Op compared) -> {
                boolean after = found.words() > 1 && words.get(i).matches("or|and|plu");
                int next = i + found.words();
                if (after && next < words.size() && words.get(next).equals("than")) {
                    // "or cheaper than £5" begins another condition.
                    take(words.get(i).equals("or") ? Sense.Plain.OR : Sense.Plain.AND, i);
                    return 1;
                }
                if (after) {
                    widen(compared);
                } else {
                    waiting.op = compared;
                    waiting.than = true;
                }
            }
            case Sense.Plain plain -> take(plain, i);
        }
        return found.words();
    }

    private void take(Sense.Plain sense, int i) {
        switch (sense) {
            case BETWEEN -> waiting.between = true;
            case ABOUT -> waiting.about = true;
            case NOT -> waiting.not = true;
            case OR -> waiting.or = true;
            case AND -> waiting.or = false;
            case COUNT -> {
                Optional<Units.Unit> unit = i + 2 < words.size() ? Units.listed(words.get(i + 2)) : Optional.empty();
                Optional<Column> counted = unit.flatMap(columns::measuring);
                if (counted.isPresent()) {
                    wanted.add(counted.get());
                } else {
                    count = true;
                    strong++;
                }
            }
            case HOW_MUCH -> howMuch = true;
            case HOW -> {
                if (i + 1 < raw.size()) {
                    Adjectives.of(raw.get(i + 1)).flatMap(columns::of).ifPresent(wanted::add);
                }
            }
            case ORDER_BY -> waiting.adjective = new Adjective(List.of(Adjectives.NAMED), false, Form.SUPERLATIVE);
            case FIRST -> {
                if (order != null) {
                    order = new Order(order.column(), order.descending(), 0);
                }
            }
        }
    }

    /** "150 mm or more": what was just compared exactly is compared otherwise. */
    private void widen(Op by) {
        if (!atoms.isEmpty()
                && atoms.getLast().condition() instanceof Condition.Figure(Column of, Op was, BigDecimal figure)) {
            Atom last = atoms.removeLast();
            atoms.add(new Atom(of, new Condition.Figure(of, by, figure), last.negated(), last.or()));
        }
    }

    private int take(Adjective found, int i) {
        Adjective compared = found;
        int length = 1;
        if (found.of().contains(Adjectives.NAMED) && i + 1 < raw.size()) {
            Optional<Adjective> whole = Adjectives.after(found, raw.get(i + 1));
            if (whole.isPresent()) {
                compared = whole.get();
                length = 2;
            }
        }
        understood++;
        switch (compared.form()) {
            case PLAIN -> {
                boolean asked = i > 0 && words.get(i - 1).equals("how");
                if (!asked) {
                    understood--;
                    lost += columns.of(compared).isPresent() ? 1 : 0;
                }
            }
            case COMPARATIVE -> {
                waiting.adjective = compared;
                waiting.op = compared.more() ? Op.MORE : Op.LESS;
                waiting.than =
                        i + length < words.size() && words.get(i + length).equals("than");
                if (waiting.than) {
                    length++;
                }
            }
            case SUPERLATIVE -> {
                waiting.adjective = compared;
                if (!compared.of().getFirst().equals(Adjectives.NAMED)) {
                    boolean more = compared.more();
                    columns.of(compared).ifPresent(of -> order(of, more));
                }
            }
        }
        return length;
    }

    private void order(Column by, boolean descending) {
        int most = waiting.howMany == null ? 1 : waiting.howMany.intValue();
        order = new Order(by, descending, most);
        waiting.howMany = null;
        waiting.adjective = null;
        waiting.column = null;
        strong++;
    }

    private int take(Figure found, int i) {
        int next = i + found.words();
        boolean superlative = waiting.adjective != null && waiting.adjective.form() == Form.SUPERLATIVE;
        boolean beforeSuperlative = next < raw.size()
                && Adjectives.of(raw.get(next))
                        .filter(a -> a.form() == Form.SUPERLATIVE)
                        .isPresent();
        if (found.unit().isEmpty()
                && found.figure().intValue() > 0
                && (superlative
                        || beforeSuperlative
                        || order != null
                                && order.most() == 1
                                && i > 0
                                && Adjectives.of(raw.get(i - 1)).isPresent())) {
            if (order != null) {
                order = new Order(
                        order.column(), order.descending(), found.figure().intValue());
            } else {
                waiting.howMany = found.figure();
            }
            return found.words();
        }
        Figures.Compared compared = figures.compared(found, i, waiting, columns);
        if (compared.column().isEmpty()) {
            lost++;
        } else {
            add(compared.column().get(), compared.condition());
            understood++;
        }
        return compared.words();
    }

    private void add(Column of, Condition condition) {
        atoms.add(new Atom(of, condition, waiting.not, waiting.or));
        strong++;
        waiting.done();
    }

    /** A column that waited for something was asked for itself. */
    private void settleColumn() {
        if (waiting.column != null) {
            wanted.add(waiting.column);
            waiting.column = null;
        }
    }

    private void settleWaiting() {
        if (waiting.adjective != null) {
            Adjective last = waiting.adjective;
            Optional<Column> by = waiting.compared(columns);
            boolean chooses = last.form() == Form.SUPERLATIVE || named.size() > 1;
            if (by.isPresent() && chooses) {
                order(by.get(), last.more());
            } else {
                lost++;
            }
        } else if (waiting.op != null) {
            lost++;
        }
        settleColumn();
        if (howMuch && wanted.isEmpty()) {
            columns.first(of -> of.kind() == Kind.MONEY).ifPresent(wanted::add);
        }
        if (order != null) {
            wanted.remove(order.column());
        }
    }
}
