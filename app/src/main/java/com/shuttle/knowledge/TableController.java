package com.shuttle.knowledge;

import com.shuttle.core.table.Column;
import com.shuttle.core.table.Table;
import com.shuttle.core.table.Table.Row;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Page;
import jakarta.servlet.http.HttpSession;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import org.springframework.web.util.UriUtils;

/** The tables of a collection: the list, the grid of one, and its columns. What was there before a change can be had back. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/knowledge/{id}/tables")
class TableController {

    /** Blank rows at the end of the grid. */
    private static final int BLANK_ROWS = 3;

    private final KnowledgeService knowledge;
    private final TableService tables;

    TableController(KnowledgeService knowledge, TableService tables) {
        this.knowledge = knowledge;
        this.tables = tables;
    }

    /** @param id of the row, or of a blank one */
    public record GridRow(String id, boolean blank, List<GridCell> cells) {}

    /** @param field name of the form's field */
    public record GridCell(String field, Column column, String value, String error) {}

    @GetMapping
    String list(@PathVariable String id, HttpSession session, Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("tables", tables.tables(id));
        model.addAttribute(
                "canRestore",
                session.getAttribute(StoredTable.BEFORE) instanceof StoredTable before
                        && before.collection().equals(id)
                        && tables.tables(id).stream()
                                .noneMatch(table -> table.id().equals(before.id())));
        keepErrors(model);
        return "knowledge/tables";
    }

    @PostMapping
    String create(@PathVariable String id, @RequestParam(defaultValue = "") String name, RedirectAttributes flash) {
        return switch (tables.create(id, name)) {
            case Checked.Good<String>(String table) -> "redirect:/knowledge/" + id + "/tables/" + table;
            case Checked.Bad<String> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("name", name);
                yield "redirect:/knowledge/" + id + "/tables";
            }
        };
    }

    @GetMapping("/{table}")
    String table(
            @PathVariable String id,
            @PathVariable String table,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "1") int page,
            HttpSession session,
            Model model) {
        keepErrors(model);
        return show(id, table, new View(q, by, page), Map.of(), session, model);
    }

    /** Which rows are shown. */
    record View(String q, String by, int page) {}

    private String show(
            String id, String table, View view, Map<String, String> typed, HttpSession session, Model model) {
        StoredTable stored = tables.table(table);
        Page<Row> rows = TableService.rows(stored.table(), view.q(), view.by(), view.page());
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("stored", stored);
        model.addAttribute("rows", rows);
        model.addAttribute("grid", grid(stored.table(), rows.items(), typed, errors(model)));
        model.addAttribute("view", view);
        model.addAttribute("typed", typed);
        model.addAttribute("kinds", Column.Kind.values());
        model.addAttribute("bounds", Column.Bound.values());
        model.addAttribute(
                "canUndo",
                session.getAttribute(StoredTable.BEFORE) instanceof StoredTable before
                        && before.id().equals(table)
                        && !before.table().equals(stored.table()));
        return "knowledge/table";
    }

    @SuppressWarnings("unchecked")
    private static Map<String, String> errors(Model model) {
        return (Map<String, String>) model.getAttribute("errors");
    }

    private static List<GridRow> grid(
            Table table, List<Row> rows, Map<String, String> typed, Map<String, String> errors) {
        List<GridRow> grid = new ArrayList<>();
        rows.forEach(row -> grid.add(gridRow(table, row, false, typed, errors)));
        for (int i = 0; i < BLANK_ROWS; i++) {
            grid.add(gridRow(table, new Row(TableForms.NEW + i, Map.of()), true, typed, errors));
        }
        return grid;
    }

    private static GridRow gridRow(
            Table table, Row row, boolean blank, Map<String, String> typed, Map<String, String> errors) {
        List<GridCell> cells = table.columns().stream()
                .map(column -> {
                    String field = TableForms.cell(row.id(), column);
                    return new GridCell(
                            field, column, typed.getOrDefault(field, row.at(column)), errors.getOrDefault(field, ""));
                })
                .toList();
        return new GridRow(row.id(), blank, cells);
    }

    @PostMapping("/{table}/rows")
    String rows(
            @PathVariable String id,
            @PathVariable String table,
            @RequestParam Map<String, String> form,
            HttpSession session,
            Model model,
            RedirectAttributes flash) {
        StoredTable before = tables.table(table);
        View view = new View(
                form.getOrDefault("q", ""), form.getOrDefault("by", ""), Page.numbered(form.getOrDefault("page", "1")));
        if (tables.changeRows(table, form) instanceof Checked.Bad<String> bad) {
            model.addAttribute("errors", bad.errors());
            return show(id, table, view, form, session, model);
        }
        session.setAttribute(StoredTable.BEFORE, before);
        flash.addFlashAttribute("saved", true);
        return redirected(id, table, view);
    }

    private static String redirected(String id, String table, View view) {
        return "redirect:/knowledge/" + id + "/tables/" + table + "?page=" + view.page() + "&q=" + encoded(view.q())
                + "&by=" + encoded(view.by());
    }

    private static String encoded(String text) {
        return UriUtils.encode(text, StandardCharsets.UTF_8);
    }

    @PostMapping("/{table}/settings")
    String settings(
            @PathVariable String id,
            @PathVariable String table,
            @RequestParam Map<String, String> form,
            HttpSession session,
            Model model,
            RedirectAttributes flash) {
        StoredTable before = tables.table(table);
        if (tables.changeSettings(table, form) instanceof Checked.Bad<String> bad) {
            model.addAttribute("errors", bad.errors());
            return show(id, table, new View("", "", 1), form, session, model);
        }
        session.setAttribute(StoredTable.BEFORE, before);
        flash.addFlashAttribute("saved", true);
        return "redirect:/knowledge/" + id + "/tables/" + table;
    }

    @PostMapping("/{table}/undo")
    String undo(@PathVariable String id, @PathVariable String table, HttpSession session) {
        if (session.getAttribute(StoredTable.BEFORE) instanceof StoredTable before
                && before.id().equals(table)) {
            session.setAttribute(StoredTable.BEFORE, tables.table(table));
            tables.restore(before);
        }
        return "redirect:/knowledge/" + id + "/tables/" + table;
    }

    @PostMapping("/{table}/delete")
    String delete(@PathVariable String id, @PathVariable String table, HttpSession session) {
        session.setAttribute(StoredTable.BEFORE, tables.delete(table));
        return "redirect:/knowledge/" + id + "/tables";
    }

    @PostMapping("/restore")
    String restore(@PathVariable String id, HttpSession session) {
        if (session.getAttribute(StoredTable.BEFORE) instanceof StoredTable before
                && before.collection().equals(id)) {
            tables.restore(before);
            session.removeAttribute(StoredTable.BEFORE);
            return "redirect:/knowledge/" + id + "/tables/" + before.id();
        }
        return "redirect:/knowledge/" + id + "/tables";
    }

    private static void keepErrors(Model model) {
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
    }
}
