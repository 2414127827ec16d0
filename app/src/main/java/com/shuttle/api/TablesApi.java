package com.shuttle.api;

import com.shuttle.core.table.Column;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.StoredTable.StoredRow;
import com.shuttle.tables.TableService;
import com.shuttle.web.Checked;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PatchMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Tables and their rows for programs. Cells are named by the keys of their columns. */
@RestController
@RequestMapping("/api/v1/tables")
@Tag(name = "Tables", description = "Tables that bots look up in and write to, and their rows.")
class TablesApi {

    record ColumnView(String key, String name, String kind, String unit) {}

    record TableView(String id, String name, int rows, List<ColumnView> columns) {}

    record RowView(String id, long version, Map<String, String> cells) {}

    /** @param page from 1 on */
    record Rows(List<RowView> rows, int page, int pages, int total) {}

    record Cells(@Nullable Map<String, @Nullable String> cells) {}

    private static final String NEW = "new0";

    private final TableService tables;

    TablesApi(TableService tables) {
        this.tables = tables;
    }

    @GetMapping
    @Operation(summary = "All tables with their columns")
    List<TableView> all() {
        return tables.all().stream().map(TablesApi::view).toList();
    }

    private static TableView view(StoredTable table) {
        return new TableView(
                table.id(),
                table.name(),
                table.rows(),
                table.columns().stream()
                        .map(column -> new ColumnView(
                                column.key(),
                                column.name(),
                                column.kind().name().toLowerCase(java.util.Locale.ROOT),
                                column.unit()))
                        .toList());
    }

    private static RowView view(StoredRow row) {
        return new RowView(row.row().id(), row.version(), row.row().cells());
    }

    @GetMapping("/{table}/rows")
    @Operation(
            summary = "A page of rows",
            description = "Filters are columns' keys with the value a row must have; q looks in all cells, sort is a"
                    + " column's key, with a minus before it for the other way round.")
    Rows rows(@PathVariable String table, @Parameter(hidden = true) @RequestParam Map<String, String> parameters) {
        Page<StoredRow> page = tables.rows(tables.table(table), Wanted.of(parameters));
        return new Rows(page.items().stream().map(TablesApi::view).toList(), page.number(), page.pages(), page.total());
    }

    @PostMapping("/{table}/rows")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(summary = "Add a row")
    RowView add(@PathVariable String table, @RequestBody Cells row) {
        Map<String, String> form = form(table, NEW, row);
        return switch (tables.changeRows(table, form)) {
            case Checked.Bad<StoredTable.Before> bad -> throw unfit(NEW, bad.errors());
            case Checked.Good<StoredTable.Before>(StoredTable.Before before) ->
                before.added().stream()
                        .findFirst()
                        .map(id -> view(tables.row(table, id)))
                        .orElseThrow(() -> Problems.unfit("A row needs at least one cell."));
        };
    }

    @PatchMapping("/{table}/rows/{row}")
    @Operation(summary = "Change cells of a row; an empty cell is emptied, others stay")
    RowView change(@PathVariable String table, @PathVariable String row, @RequestBody Cells cells) {
        tables.row(table, row);
        if (tables.changeRows(table, form(table, row, cells)) instanceof Checked.Bad<StoredTable.Before> bad) {
            throw unfit(row, bad.errors());
        }
        return view(tables.row(table, row));
    }

    @DeleteMapping("/{table}/rows/{row}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(summary = "Delete a row")
    void delete(@PathVariable String table, @PathVariable String row) {
        tables.row(table, row);
        tables.changeRows(table, Map.of("delete." + row, "on"));
    }

    private Map<String, String> form(String table, String row, Cells cells) {
        List<String> keys =
                tables.table(table).columns().stream().map(Column::key).toList();
        Map<String, String> form = new LinkedHashMap<>();
        if (cells.cells() != null) {
            cells.cells().forEach((key, value) -> {
                if (!keys.contains(key)) {
                    throw Problems.unfit("There is no column " + key + ".");
                }
                form.put("cell." + row + "." + key, value == null ? "" : value);
            });
        }
        return form;
    }

    private static RuntimeException unfit(String row, Map<String, String> errors) {
        StringBuilder words = new StringBuilder();
        errors.forEach((field, error) -> words.append(field.replace("cell." + row + ".", ""))
                .append(": ")
                .append(error)
                .append(' '));
        return Problems.unfit(words.toString().strip());
    }
}
