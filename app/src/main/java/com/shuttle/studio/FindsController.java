package com.shuttle.studio;

import com.shuttle.bots.BotService;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Comparison;
import com.shuttle.core.flow.LookUp;
import com.shuttle.core.flow.LookUp.Where;
import com.shuttle.core.flow.Step;
import com.shuttle.core.table.Cell;
import com.shuttle.core.table.RowsFound;
import com.shuttle.tables.TableService;
import com.shuttle.web.Access;
import com.shuttle.web.Missing;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** What a step that reads a table would find at this moment, for values that the designer gives. */
@Controller
@Access(Access.Who.DESIGNER)
class FindsController {

    private static final Pattern PLACEHOLDER = Pattern.compile("\\{\\{[#^]?\\s*([a-z][a-z0-9_]*)[^}]*\\}\\}");
    private static final String GIVEN = "v.";
    private static final int SHOWN = 6;

    private final BotService bots;
    private final TableService tables;
    private final InstantSource clock;

    FindsController(BotService bots, TableService tables, InstantSource clock) {
        this.bots = bots;
        this.tables = tables;
        this.clock = clock;
    }

    /** @param most rows that the step takes; the first of more is enough for one */
    private record Asked(String table, List<Where> where, String order, boolean falling, int most) {}

    /** @param parameters the values of variables, each with {@value #GIVEN} before its name */
    @GetMapping("/bots/{id}/flows/{flow}/finds/{step}")
    String finds(
            @PathVariable String id,
            @PathVariable String flow,
            @PathVariable String step,
            @RequestParam Map<String, String> parameters,
            Model model) {
        Step of = bots.draft(id, flow).flow().findStep(step).orElseThrow(() -> new Missing("step", step));
        Asked asked = asked(of);
        Map<String, String> values = values(asked, bots.bot(id).zone(), parameters);
        RowsFound found = tables.find(
                new Query.Rows(asked.table(), filters(asked, values), asked.order(), asked.falling(), asked.most()));
        model.addAttribute("values", values);
        model.addAttribute("count", found.rows().size());
        model.addAttribute("most", found.rows().size() == asked.most() && asked.most() > 1);
        model.addAttribute(
                "rows",
                found.rows().stream()
                        .limit(SHOWN)
                        .map(row -> found.columns().stream()
                                .map(column -> Cell.shown(column, row.at(column)))
                                .filter(cell -> !cell.isBlank())
                                .collect(Collectors.joining(" · ")))
                        .toList());
        return "studio/finds :: finds";
    }

    private static Asked asked(Step step) {
        return switch (step) {
            case LookUp look -> new Asked(look.table(), look.where(), look.order(), look.falling(), look.wanted());
            case Choice choice -> {
                List<Where> where = new ArrayList<>(choice.where());
                if (!choice.offered().isEmpty()) {
                    where.add(new Where("offered", choice.offered(), "", Comparison.IS_NOT, "no"));
                }
                yield new Asked(choice.table(), where, choice.order(), false, LookUp.MOST);
            }
            default -> throw new Missing("table of step", step.id());
        };
    }

    /** What the conditions ask for, as it is given or, of the day, as it is now. */
    private Map<String, String> values(Asked asked, String zone, Map<String, String> given) {
        LocalDate today = LocalDate.ofInstant(clock.instant(), ZoneId.of(zone));
        Map<String, String> now = Map.of(
                "today",
                today.toString(),
                "weekday",
                today.getDayOfWeek().name().toLowerCase(Locale.ROOT));
        Map<String, String> values = new LinkedHashMap<>();
        for (Where where : asked.where()) {
            Matcher matcher = PLACEHOLDER.matcher(where.value());
            while (matcher.find()) {
                String name = matcher.group(1);
                values.put(name, given.getOrDefault(GIVEN + name, now.getOrDefault(name, "")));
            }
        }
        return values;
    }

    /** A condition that compares with what is not given asks for nothing, as in a conversation. */
    private static List<Query.Rows.Filter> filters(Asked asked, Map<String, String> values) {
        List<Query.Rows.Filter> filters = new ArrayList<>();
        for (Where where : asked.where()) {
            String value = PLACEHOLDER
                    .matcher(where.value())
                    .replaceAll(found -> Matcher.quoteReplacement(values.getOrDefault(found.group(1), "")))
                    .strip();
            boolean compares = where.comparison().compares();
            if (!where.column().isEmpty() && (!compares || !value.isEmpty())) {
                filters.add(new Query.Rows.Filter(where.column(), where.comparison(), compares ? value : ""));
            }
        }
        return filters;
    }
}
