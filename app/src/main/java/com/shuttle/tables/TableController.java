package com.shuttle.tables;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.TableAnswers;
import com.shuttle.core.table.TableAnswers.TableAnswer;
import com.shuttle.tables.StoredTable.Before;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Listing;
import com.shuttle.web.Wanted;
import jakarta.servlet.http.HttpSession;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The list of tables, the grid of one, and its columns. What was there before a change can be had back. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/tables")
class TableController {

    /** The grid's form keeps what the list is filtered by in fields that begin with this. */
    private static final String FILTER = "filter.";

    private final TableService tables;
    private final RowImports imports;
    private final PersonalCells personal;
    private final ReferenceCells references;
    private final List<TableUse> uses;

    TableController(
            TableService tables,
            RowImports imports,
            PersonalCells personal,
            ReferenceCells references,
            List<TableUse> uses) {
        this.tables = tables;
        this.imports = imports;
        this.personal = personal;
        this.references = references;
        this.uses = uses;
    }

    /** A table in the list. */
    public record Line(StoredTable table, List<TableUse.Place> uses) {}

    @GetMapping
    String list(@RequestParam Map<String, String> parameters, HttpSession session, Model model) {
        Wanted wanted = Wanted.of(parameters);
        var page = tables.tables(wanted.search(), wanted.sort(), wanted.page())
                .map(table -> new Line(table, uses(table.id())));
        model.addAttribute(
                "listing",
                Listing.of("/tables", wanted, page)
                        .searched("Search names")
                        .columns(
                                Listing.Column.sorted("Table", "name"),
                                Listing.Column.sorted("Rows", "rows").number(),
                                Listing.Column.plain("Used by"),
                                Listing.Column.sorted("Changed", "changed")));
        model.addAttribute(
                "canRestore",
                kept(session)
                        .filter(before -> !tables.exists(before.table().id()))
                        .isPresent());
        keepErrors(model);
        return "tables/tables";
    }

    private List<TableUse.Place> uses(String table) {
        return uses.stream().flatMap(use -> use.of(table).stream()).toList();
    }

    @PostMapping
    String create(@RequestParam(defaultValue = "") String name, RedirectAttributes flash) {
        return switch (tables.create(name)) {
            case Checked.Good<String>(String table) -> "redirect:/tables/" + table;
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("name", name);
                yield "redirect:/tables";
            }
        };
    }

    /** @param parameters with {@code ask} for a question to be tried */
    @GetMapping("/{table}")
    String table(
            @PathVariable String table,
            @RequestParam Map<String, String> parameters,
            HttpSession session,
            Model model) {
        keepErrors(model);
        String question = parameters.getOrDefault("ask", "").strip();
        model.addAttribute("question", question);
        model.addAttribute("answer", answer(table, question));
        return show(table, Wanted.of(parameters), Map.of(), session, model);
    }

    private @Nullable TableAnswer answer(String table, String question) {
        return question.isEmpty()
                ? null
                : new TableAnswers(tables.whole(table)).ask(question).orElse(null);
    }

    private String show(String id, Wanted wanted, Map<String, String> typed, HttpSession session, Model model) {
        StoredTable stored = tables.table(id);
        Listing<StoredRow> listing = Listing.of("/tables/" + id, wanted, tables.rows(stored, wanted))
                .searched("Search the rows")
                .columns(stored.columns().stream()
                        .map(column -> Listing.Column.sorted(column.name(), column.key()))
                        .toArray(Listing.Column[]::new));
        for (Column column : stored.columns()) {
            List<String> values = column.kind() == Column.Kind.YES_NO ? List.of("yes", "no") : column.choices();
            if (!values.isEmpty()) {
                listing =
                        listing.filter(column.key(), column.name(), column.name() + ": any", Listing.Option.of(values));
            }
        }
        model.addAttribute("stored", stored);
        model.addAttribute("uses", uses(id));
        model.addAttribute("listing", listing);
        Map<String, String> wrong =
                new HashMap<>(references.faults(stored, listing.page().items()));
        wrong.putAll(errors(model));
        model.addAttribute("grid", new Grid(stored, listing.page().items(), typed, wrong));
        model.addAttribute("titles", references.titles(stored));
        model.addAttribute("form", new ColumnsForm(stored, typed));
        model.addAttribute("kinds", Column.Kind.values());
        model.addAttribute("bounds", Column.Bound.values());
        model.addAttribute("personal", personal.columns(stored));
        model.addAttribute("canUndo", kept(session, id).isPresent());
        return "tables/table";
    }

    @SuppressWarnings("unchecked")
    private static Map<String, String> errors(Model model) {
        Object errors = model.getAttribute("errors");
        return errors == null ? Map.of() : (Map<String, String>) errors;
    }

    @PostMapping("/{table}/rows")
    String rows(
            @PathVariable String table,
            @RequestParam Map<String, String> form,
            HttpSession session,
            Model model,
            RedirectAttributes flash) {
        Wanted wanted = wanted(form);
        return switch (tables.changeRows(table, form)) {
            case Checked.Bad<Before> bad -> {
                model.addAttribute("errors", bad.errors());
                yield show(table, wanted, form, session, model);
            }
            case Checked.Good<Before>(Before before) -> {
                saved(before, session, flash);
                yield "redirect:" + Listing.address("/tables/" + table, wanted);
            }
        };
    }

    /** What of the rows was shown, as the grid's form says. */
    private static Wanted wanted(Map<String, String> form) {
        Map<String, String> wanted = new HashMap<>();
        for (String part : List.of("q", "sort", "page")) {
            wanted.put(part, form.getOrDefault(part, ""));
        }
        form.forEach((field, value) -> {
            if (field.startsWith(FILTER)) {
                wanted.put(field.substring(FILTER.length()), value);
            }
        });
        return Wanted.of(wanted);
    }

    @PostMapping("/{table}/settings")
    String settings(
            @PathVariable String table,
            @RequestParam Map<String, String> form,
            HttpSession session,
            Model model,
            RedirectAttributes flash) {
        return switch (tables.changeSettings(table, form)) {
            case Checked.Bad<Before> bad -> {
                model.addAttribute("errors", bad.errors());
                yield show(table, Wanted.ALL, form, session, model);
            }
            case Checked.Good<Before>(Before before) -> {
                personal.say(table, form);
                saved(before, session, flash);
                yield "redirect:/tables/" + table;
            }
        };
    }

    private static void saved(Before before, HttpSession session, RedirectAttributes flash) {
        session.setAttribute(Before.KEPT, before);
        flash.addFlashAttribute("saved", true);
    }

    @PostMapping("/{table}/undo")
    String undo(@PathVariable String table, HttpSession session) {
        kept(session, table).ifPresent(before -> session.setAttribute(Before.KEPT, imports.takeBack(before)));
        return "redirect:/tables/" + table;
    }

    @PostMapping("/{table}/delete")
    String delete(@PathVariable String table, HttpSession session) {
        session.setAttribute(Before.KEPT, tables.delete(table));
        return "redirect:/tables";
    }

    /** Puts back the table that was deleted last. */
    @PostMapping("/restore")
    String restore(HttpSession session) {
        return kept(session)
                .map(before -> {
                    imports.takeBack(before);
                    session.removeAttribute(Before.KEPT);
                    return "redirect:/tables/" + before.table().id();
                })
                .orElse("redirect:/tables");
    }

    private static Optional<Before> kept(HttpSession session) {
        return Optional.ofNullable((Before) session.getAttribute(Before.KEPT));
    }

    private static Optional<Before> kept(HttpSession session, String table) {
        return kept(session).filter(before -> before.table().id().equals(table));
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
    }
}
