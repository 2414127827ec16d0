package com.shuttle.core.edit;

import com.shuttle.core.edit.FlowEditor.Refusal;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Words;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** The fields of steps by name, see {@link Edit.Set}. */
final class Fields {

    static final int LONGEST_TEXT = 8000;
    static final int LONGEST_LINE = 200;
    private static final Pattern VARIABLE = Pattern.compile("([a-z][a-z0-9_]{0,63})?");

    private Fields() {}

    static Step set(Step step, String field, String value) {
        String name = field.contains(".") ? field.substring(0, field.indexOf('.')) : field;
        String part = field.substring(Math.min(field.length(), name.length() + 1));
        return switch (name) {
            case "text" -> withWordings(step, replaced(step, part, text(value)));
            case "title", "note" -> common(step, name, value);
            default ->
                switch (step) {
                    case Step.Question question -> question(question, name, value);
                    case Step.Choice choice -> choice(choice, name, part, value);
                    case Step.Answer a
                    when name.equals("unknown") ->
                        new Step.Answer(a.id(), a.title(), a.note(), a.ask(), a.collections(), text(value), a.exits());
                    case Step.HandOff h
                    when name.equals("team") ->
                        new Step.HandOff(h.id(), h.title(), h.note(), h.say(), line(value), h.nobody(), h.exits());
                    case Step.HandOff h
                    when name.equals("nobody") ->
                        new Step.HandOff(h.id(), h.title(), h.note(), h.say(), h.team(), text(value), h.exits());
                    case Step.GoTo g
                    when name.equals("come_back") -> {
                        boolean back = Boolean.parseBoolean(value);
                        Step changed = new Step.GoTo(g.id(), g.title(), g.note(), back, g.exits());
                        yield back ? changed : changed.withExit("back", null);
                    }
                    default -> throw noField(step, field);
                };
        };
    }

    private static Step question(Step.Question q, String field, String value) {
        ValueType type = q.type();
        String variable = q.variable();
        String retry = q.retry();
        boolean skip = q.skipWhenKnown();
        int tries = q.tries();
        switch (field) {
            case "type" -> {
                try {
                    type = ValueType.of(value);
                } catch (IllegalArgumentException e) {
                    throw new Refusal("There is no such type of question.");
                }
            }
            case "variable" -> variable = variable(value);
            case "retry" -> retry = text(value);
            case "skip_when_known" -> skip = Boolean.parseBoolean(value);
            case "tries" -> {
                if (!value.matches("[1-9]")) {
                    throw new Refusal("Tries are a number from 1 to 9.");
                }
                tries = Integer.parseInt(value);
            }
            default -> throw noField(q, field);
        }
        return new Step.Question(q.id(), q.title(), q.note(), q.ask(), type, variable, retry, skip, tries, q.exits());
    }

    private static Step choice(Step.Choice choice, String field, String option, String value) {
        if (!field.equals("option") && !field.equals("also")) {
            throw noField(choice, field);
        }
        if (choice.options().stream().noneMatch(o -> o.id().equals(option))) {
            throw new Refusal("That option is no longer there.");
        }
        List<Option> options = choice.options().stream()
                .map(o -> !o.id().equals(option)
                        ? o
                        : field.equals("option")
                                ? new Option(o.id(), line(value), o.also())
                                : new Option(
                                        o.id(),
                                        o.label(),
                                        Arrays.stream(value.split(","))
                                                .map(Fields::line)
                                                .filter(word -> !word.isEmpty())
                                                .limit(50)
                                                .toList()))
                .toList();
        return withOptions(choice, options);
    }

    static Step withOptions(Step.Choice c, List<Option> options) {
        return new Step.Choice(c.id(), c.title(), c.note(), c.ask(), options, c.tries(), c.exits());
    }

    static Step withWordings(Step step, List<String> wordings) {
        return switch (step) {
            case Step.Message m -> new Step.Message(m.id(), m.title(), m.note(), wordings, m.exits());
            case Step.Question q ->
                new Step.Question(
                        q.id(),
                        q.title(),
                        q.note(),
                        wordings,
                        q.type(),
                        q.variable(),
                        q.retry(),
                        q.skipWhenKnown(),
                        q.tries(),
                        q.exits());
            case Step.Choice c ->
                new Step.Choice(c.id(), c.title(), c.note(), wordings, c.options(), c.tries(), c.exits());
            case Step.Answer a ->
                new Step.Answer(a.id(), a.title(), a.note(), wordings, a.collections(), a.unknown(), a.exits());
            case Step.HandOff h ->
                new Step.HandOff(h.id(), h.title(), h.note(), wordings, h.team(), h.nobody(), h.exits());
            case Step.GoTo g -> throw new Refusal("A Go to says nothing.");
            case Step.End e -> new Step.End(e.id(), e.title(), e.note(), wordings, e.exits());
        };
    }

    private static Step common(Step step, String field, String value) {
        String title = field.equals("title") ? line(value) : step.title();
        String note = field.equals("note") ? text(value) : step.note();
        String id = step.id();
        return switch (step) {
            case Step.Message m -> new Step.Message(id, title, note, m.say(), m.exits());
            case Step.Question q ->
                new Step.Question(
                        id,
                        title,
                        note,
                        q.ask(),
                        q.type(),
                        q.variable(),
                        q.retry(),
                        q.skipWhenKnown(),
                        q.tries(),
                        q.exits());
            case Step.Choice c -> new Step.Choice(id, title, note, c.ask(), c.options(), c.tries(), c.exits());
            case Step.Answer a -> new Step.Answer(id, title, note, a.ask(), a.collections(), a.unknown(), a.exits());
            case Step.HandOff h -> new Step.HandOff(id, title, note, h.say(), h.team(), h.nobody(), h.exits());
            case Step.GoTo g -> new Step.GoTo(id, title, note, g.comeBack(), g.exits());
            case Step.End e -> new Step.End(id, title, note, e.say(), e.exits());
        };
    }

    private static List<String> replaced(Step step, String index, String text) {
        List<String> wordings = new ArrayList<>(step.wordings());
        int at = index.matches("\\d{1,2}") ? Integer.parseInt(index) : -1;
        if (at < 0 || at >= wordings.size()) {
            throw new Refusal("That wording is no longer there.");
        }
        wordings.set(at, text);
        return wordings;
    }

    private static String variable(String value) {
        String name = value.strip().toLowerCase(Locale.ROOT).replaceAll("[\\s-]+", "_");
        if (!VARIABLE.matcher(name).matches()) {
            throw new Refusal("A variable's name begins with a letter and has only letters, digits and _ in it.");
        }
        return name;
    }

    private static String text(String value) {
        if (value.length() > LONGEST_TEXT) {
            throw new Refusal(
                    "A text can be " + LONGEST_TEXT + " characters long at most; this one has " + value.length() + ".");
        }
        return Words.clean(value);
    }

    static String line(String value) {
        String line = Words.clean(value).replaceAll("\\s+", " ");
        if (line.length() > LONGEST_LINE) {
            throw new Refusal(
                    "This can be " + LONGEST_LINE + " characters long at most; it has " + line.length() + ".");
        }
        return line;
    }

    static String inWords(String field) {
        String name = field.contains(".") ? field.substring(0, field.indexOf('.')) : field;
        return switch (name) {
            case "text" -> "the wording";
            case "note" -> "the note";
            case "type" -> "the type";
            case "variable" -> "the variable";
            case "retry" -> "the error words";
            case "option" -> "an option";
            case "also" -> "the other words for an option";
            case "team" -> "the team";
            default -> "the settings";
        };
    }

    private static Refusal noField(Step step, String field) {
        return new Refusal("A " + step.kind().label() + " has no " + field.replace('_', ' ') + ".");
    }
}
