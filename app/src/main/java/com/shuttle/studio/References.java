package com.shuttle.studio;

import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.settings.AccountService;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.TableService;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** What steps may refer to outside their flow, by what it is (see {@link Forms#reference}). Thread-safe. */
@Component
class References {

    private final AccountService accounts;
    private final TableService tables;

    References(AccountService accounts, TableService tables) {
        this.accounts = accounts;
        this.tables = tables;
    }

    /** By "team", "table", and "column of" and a table's id. */
    Map<String, List<Form.Value>> all() {
        Map<String, List<Form.Value>> all = new HashMap<>();
        all.put(
                "team",
                accounts.teams().stream()
                        .map(team -> new Form.Value(team.id(), team.name()))
                        .toList());
        List<StoredTable> known = tables.all();
        all.put(
                "table",
                known.stream()
                        .map(table -> new Form.Value(table.id(), table.name()))
                        .toList());
        known.forEach(table -> all.put(
                "column of " + table.id(),
                table.columns().stream()
                        .map(column -> new Form.Value(column.key(), column.name()))
                        .toList()));
        return all;
    }
}
