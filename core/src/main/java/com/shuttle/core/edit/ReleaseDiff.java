package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowDiff.Change;
import com.shuttle.core.edit.FlowDiff.Detail;
import com.shuttle.core.edit.FlowDiff.Sort;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.Variable;
import com.shuttle.core.scoring.Scored;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What differs between two releases, in words. Flows are the same when their ids are. Pure functions. */
public final class ReleaseDiff {

    /** What differs in one part: the bot itself, or a flow. */
    public record Part(String name, List<Change> changes) {
        public Part {
            changes = List.copyOf(changes);
        }
    }

    private ReleaseDiff() {}

    /** The parts in which they differ: the bot itself first, then flows in the order of {@code after}, removed ones last. */
    public static List<Part> between(Release before, Release after) {
        List<Part> parts = new ArrayList<>();
        List<Detail> own = new ArrayList<>();
        profile(own, before, after);
        responses(own, before.profile(), after.profile());
        standing(own, before.standing(), after.standing());
        variables(own, before.variables(), after.variables());
        each(
                own,
                before.cards(),
                after.cards(),
                Scorecard::name,
                Scored::cardInWords,
                name -> "the scorecard “" + name + "”");
        differs(own, "begins with", nameOf(before), nameOf(after));
        if (!own.isEmpty()) {
            parts.add(new Part("The bot itself", List.of(new Change(Sort.CHANGED, "", "", "", own))));
        }
        Map<String, Flow> was = byId(before);
        Map<String, Flow> is = byId(after);
        is.forEach((id, flow) -> {
            Flow old = was.get(id);
            List<Change> changes = old == null ? List.of(whole(Sort.ADDED, flow)) : FlowDiff.between(old, flow);
            if (!changes.isEmpty()) {
                parts.add(new Part(flow.name(), changes));
            }
        });
        was.forEach((id, flow) -> {
            if (!is.containsKey(id)) {
                parts.add(new Part(flow.name(), List.of(whole(Sort.REMOVED, flow))));
            }
        });
        return parts;
    }

    /** How many changes there are, as a sentence: "4 changes in 2 parts". */
    public static String summary(List<Part> parts) {
        int many = parts.stream().mapToInt(part -> part.changes().size()).sum();
        return many == 0
                ? "nothing differs"
                : (many == 1 ? "one change" : many + " changes") + " in "
                        + parts.stream().map(Part::name).collect(Collectors.joining(", "));
    }

    private static Change whole(Sort sort, Flow flow) {
        int many = flow.allSteps().size();
        return new Change(
                sort, "", "Flow", flow.name() + (many == 1 ? ", one step" : ", " + many + " steps"), List.of());
    }

    private static String nameOf(Release release) {
        return release.flows().stream()
                .filter(flow -> flow.id().equals(release.mainFlow()))
                .map(Flow::name)
                .findFirst()
                .orElse("");
    }

    private static Map<String, Flow> byId(Release release) {
        Map<String, Flow> flows = new LinkedHashMap<>();
        release.flows().forEach(flow -> flows.put(flow.id(), flow));
        return flows;
    }

    private static void differs(List<Detail> details, String what, String before, String after) {
        if (!before.equals(after)) {
            details.add(new Detail(what, before, after));
        }
    }

    private static void profile(List<Detail> details, Release before, Release after) {
        Release.Profile was = before.profile();
        Release.Profile is = after.profile();
        differs(details, "the name", was.name(), is.name());
        differs(details, "the country", was.region(), is.region());
        differs(details, "the time zone", was.zone(), is.zone());
        differs(details, "the team", was.team(), is.team());
        for (String day : new TreeSet<>(Stream.concat(was.hours().keySet().stream(), is.hours().keySet().stream())
                .toList())) {
            differs(
                    details,
                    "hours on " + day,
                    was.hours().getOrDefault(day, ""),
                    is.hours().getOrDefault(day, ""));
        }
    }

    private static void responses(List<Detail> details, Release.Profile before, Release.Profile after) {
        Arrays.stream(Occasion.values())
                .forEach(occasion -> differs(
                        details,
                        "“" + occasion.label() + "”",
                        words(before.response(occasion)),
                        words(after.response(occasion))));
    }

    private static String words(Response response) {
        if (!response.on()) {
            return "says nothing";
        }
        List<String> lines =
                new ArrayList<>(response.say().isEmpty() ? response.occasion().usual() : response.say());
        response.outside().forEach(line -> lines.add("outside hours: " + line));
        response.offers().forEach(offer -> lines.add("offers: " + offer));
        if (!response.flow().isEmpty()) {
            lines.add("then the flow " + response.flow());
        }
        if (response.minutes() != Response.USUAL_MINUTES) {
            lines.add("after " + response.minutes() + " minutes");
        }
        return String.join("\n", lines);
    }

    private static void standing(List<Detail> details, List<StandingWords> before, List<StandingWords> after) {
        each(
                details,
                before,
                after,
                StandingWords::request,
                one -> (one.off() ? "not heard" : "heard")
                        + one.phrases().stream()
                                .map(phrase -> "\nalso: " + phrase)
                                .collect(Collectors.joining())
                        + (one.flow().isEmpty() ? "" : "\nby the flow " + one.flow()),
                name -> "the request “" + name.replace('_', ' ') + "”");
    }

    private static void variables(List<Detail> details, List<Variable> before, List<Variable> after) {
        each(
                details,
                before,
                after,
                Variable::name,
                one -> one.type().label() + ", " + one.origin().label()
                        + (one.note().isEmpty() ? "" : "\n" + one.note()),
                name -> "the variable “" + name + "”");
    }

    private static <T> void each(
            List<Detail> details,
            List<T> before,
            List<T> after,
            Function<T, String> key,
            Function<T, String> told,
            Function<String, String> what) {
        Map<String, String> was = before.stream().collect(Collectors.toMap(key, told, (a, b) -> b));
        Map<String, String> is = after.stream().collect(Collectors.toMap(key, told, (a, b) -> b));
        for (String name : new TreeSet<>(
                Stream.concat(was.keySet().stream(), is.keySet().stream()).toList())) {
            differs(details, what.apply(name), was.getOrDefault(name, ""), is.getOrDefault(name, ""));
        }
    }
}
