package com.shuttle.tables;

import com.shuttle.tables.StoredTable.Before;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import jakarta.servlet.http.HttpSession;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** What a row of a table was before, and putting that back. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/tables/{table}/rows/{row}")
class RowController {

    private final TableService tables;
    private final RowHistory history;

    RowController(TableService tables, RowHistory history) {
        this.tables = tables;
        this.history = history;
    }

    @GetMapping
    String row(@PathVariable String table, @PathVariable String row, Model model) {
        model.addAttribute("stored", tables.table(table));
        model.addAttribute("row", row);
        model.addAttribute("states", history.states(table, row));
        return "tables/row";
    }

    @PostMapping
    String putBack(
            @PathVariable String table,
            @PathVariable String row,
            @RequestParam(defaultValue = "0") long version,
            HttpSession session,
            RedirectAttributes flash) {
        switch (tables.putBack(table, row, version)) {
            case Checked.Good<Before>(Before before) -> session.setAttribute(Before.KEPT, before);
            case Checked.Bad<Before> bad ->
                flash.addFlashAttribute("wrong", String.join(" ", bad.errors().values()));
        }
        return "redirect:/tables/" + table + "/rows/" + row;
    }
}
