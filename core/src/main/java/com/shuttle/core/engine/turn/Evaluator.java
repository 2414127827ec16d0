package com.shuttle.core.engine.turn;

import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.reading.Value;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Evaluates expressions over what a conversation knows at this moment of its turn. */
public final class Evaluator {

    private final TurnRun run;

    public Evaluator(TurnRun run) {
        this.run = run;
    }

    /** The variables that the engine sets. */
    public Map<String, Value> system() {
        LocalDateTime now = run.around().now();
        Map<String, Value> system = new LinkedHashMap<>();
        system.put("channel", new Value.Text(run.visit().channel()));
        system.put("page", new Value.Text(run.visit().page()));
        system.put("country", new Value.Text(run.playbook.release().profile().region()));
        system.put("bot", new Value.Text(run.playbook.release().profile().name()));
        system.put("today", new Value.Day(now.toLocalDate()));
        system.put("now", new Value.Moment(now));
        system.put("hour", Value.Numeric.of(now.getHour()));
        system.put("weekday", new Value.Text(now.getDayOfWeek().name().toLowerCase(Locale.ROOT)));
        system.put("in_hours", new Value.YesNo(run.around().inHours()));
        system.put("returning", new Value.YesNo(run.visit().returning()));
        Arrival arrival = run.visit().arrival();
        known(system, "sender", arrival.sender());
        known(system, "sender_name", arrival.name());
        known(system, "referrer", arrival.referrer());
        known(system, "campaign", arrival.campaign());
        known(system, "cue", arrival.cue());
        return system;
    }

    /** What the channel does not know is unknown, and not empty. */
    private static void known(Map<String, Value> system, String name, String text) {
        if (!text.isEmpty()) {
            system.put(name, new Value.Text(text));
        }
    }

    /** What an expression comes to now; {@code also} stands in for variables of the same name. */
    public Expressions.Result evaluate(String expression, Map<String, Value> also) {
        Map<String, Value> values = new LinkedHashMap<>(run.facts.all());
        values.putAll(system());
        values.putAll(also);
        return run.playbook.expressions().evaluate(expression, values, around(expression));
    }

    private Expressions.Around around(String expression) {
        List<String> teams = List.copyOf(run.playbook.expressions().teams(expression));
        List<String> kinds = List.copyOf(run.playbook.expressions().kinds(expression));
        if (teams.isEmpty() && kinds.isEmpty()) {
            return Expressions.Around.NOTHING;
        }
        List<String> open = teams.isEmpty() ? List.of() : List.of(run.ask(new Query.Open(teams)));
        Map<String, LocalDateTime> free = new LinkedHashMap<>();
        for (String kind : kinds) {
            FreeTimes times = run.ask(new Query.FirstFree(kind));
            if (!times.starts().isEmpty()) {
                ZoneId zone = Zones.firstKnown(run.visit().zone(), times.zone());
                free.put(
                        kind.toLowerCase(Locale.ROOT),
                        LocalDateTime.ofInstant(times.starts().getFirst(), zone));
            }
        }
        return new Expressions.Around(open, free);
    }

    /** Whether a condition holds; one that cannot be told does not, and the trace says why. */
    public boolean holds(String condition, Map<String, Value> also) {
        return switch (evaluate(condition, also)) {
            case Expressions.Result.Given(Value.YesNo(boolean yes)) -> yes;
            case Expressions.Result.Given given -> false;
            case Expressions.Result.Failed(String why) -> {
                run.trace("cannot tell", condition + ": " + why);
                yield false;
            }
        };
    }
}
