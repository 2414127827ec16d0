package com.shuttle.studio;

import com.shuttle.core.flow.Choice.Layout;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.core.flow.StepKind;
import com.shuttle.core.flow.ValueType;
import com.shuttle.studio.Setting.Choice;
import com.shuttle.studio.Setting.Control;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Which controls the editor of a step has: those in sight and those folded away, and its lists with the controls of each
 * item. One table for all kinds, so that a new setting is one line here and nothing in a template.
 */
final class StepSettings extends SettingForm {

    /** The controls of a step. */
    record Editor(List<Setting> common, List<Setting> folded, List<Items> lists) {}

    /**
     * A list of a step.
     *
     * @param path  see {@link com.shuttle.core.edit.Edit.AddItem}
     * @param title above it; may be empty
     * @param add   on the button that adds an item
     */
    record Items(String path, String title, String add, List<Item> items) {}

    /**
     * One item of a list.
     *
     * @param exit id of the exit it has of its own; empty for none
     * @param inner lists within it
     */
    record Item(String key, String exit, List<Setting> common, List<Setting> folded, List<Items> inner) {}

    private static final List<Choice> TYPES = Arrays.stream(ValueType.values())
            .filter(type -> type != ValueType.CHOICE && type != ValueType.MULTI_CHOICE)
            .map(type -> new Choice(type.key(), type.label()))
            .toList();
    private static final List<Choice> FACT_TYPES = Arrays.stream(ValueType.values())
            .filter(type -> type != ValueType.FILE && type != ValueType.SECRET)
            .map(type -> new Choice(type.key(), type.label()))
            .toList();
    private static final List<Choice> TRIES = List.of("1", "2", "3", "4", "5", "6", "7", "8", "9").stream()
            .map(n -> new Choice(n, n))
            .toList();

    private final List<Choice> teams;

    private StepSettings(ObjectNode tree, List<Choice> teams) {
        super(tree);
        this.teams = teams;
    }

    /** The editor of a step. */
    static Editor of(Step step, List<Choice> teams) {
        return new StepSettings(StepJson.tree(step), teams).editor(step.kind());
    }

    private Editor editor(StepKind kind) {
        List<Setting> common = new ArrayList<>();
        List<Setting> folded = new ArrayList<>();
        List<Items> lists = new ArrayList<>();
        switch (kind) {
            case MESSAGE -> {
                common.add(media("media", "shows"));
                if (at("media") instanceof ObjectNode) {
                    common.addAll(mediaParts("media."));
                }
                folded.add(small("typing", "seems to type for", "0", "milliseconds before each bubble"));
                lists.add(items("bubbles", "", "another bubble"));
            }
            case QUESTION -> {
                ValueType type = ValueType.of(text("type"));
                common.add(select("type", "asks for", TYPES, true));
                common.add(variable("variable", "keep in", "nothing"));
                common.add(select("tries", "tries", TRIES, false));
                common.add(flag("skipWhenKnown", "skip when known", false));
                common.add(flag("optional", "may be skipped", true));
                folded.addAll(limits("", type));
                folded.add(line("hint", "Hint, small beneath it", "none"));
                folded.add(line("example", "Example of an answer", "none"));
                if (says("optional")) {
                    folded.add(line("fallback", "When skipped, taken as", "nothing"));
                }
                folded.add(area("retry", "When not understood, it says", "the usual words for this type"));
                folded.add(area("reply", "After the answer, it says", "nothing"));
                folded.add(flag("confirm", "reads the answer back", false));
                folded.add(flag("onlyThis", "keeps nothing else that the message gives away", false));
                lists.add(items("checks", "Checks", "a check"));
            }
            case CHOICE -> {
                common.add(select(
                        "layout",
                        "shown as",
                        Arrays.stream(Layout.values())
                                .map(l -> new Choice(l.key(), l.label()))
                                .toList(),
                        true));
                common.add(flag("many", "several may be picked", true));
                common.add(flag("together", "all lead the same way", true));
                common.add(variable("variable", "keep in", "nothing"));
                folded.add(variable("from", "options drawn from the list", "typed in above", true));
                folded.add(select("tries", "tries", TRIES, false));
                folded.add(flag("quiet", "not shown again after a question of the visitor's own", false));
            }
            case INTERVIEW -> {
                lists.add(items("facts", "", "a fact"));
                folded.add(area("readBack", "Before it reads back, it says", "Let me read that back:"));
                folded.add(flag("trusting", "does not read back", false));
                folded.add(select("tries", "tries", TRIES, false));
            }
            case ANSWER -> {
                folded.add(area(
                        "unknown",
                        "When it does not know, it says",
                        "I don't know that one, and I'd rather not guess…"));
                folded.add(area("lead", "Before the answer, it says", "nothing"));
                folded.add(area("more", "After the answer, it says", "nothing"));
                folded.add(variable("of", "answers what is in", "the visitor's words"));
                folded.add(select(
                        "sources",
                        "from",
                        List.of(
                                new Choice("", "entries, articles and tables"),
                                new Choice("entries", "entries"),
                                new Choice("articles", "articles"),
                                new Choice("tables", "tables")),
                        false));
                folded.add(small("answerFrom", "answers from", "usual", "% confidence"));
                folded.add(small("suggestFrom", "suggests from", "usual", "% confidence"));
            }
            case BRANCH -> lists.add(items("rules", "", "a rule"));
            case EXPERIMENT -> {
                lists.add(items("arms", "", "an arm"));
                common.add(line("milestone", "Decided by the milestone", "none yet"));
            }
            case COMPUTE -> lists.add(items("sets", "", "a value"));
            case WAIT -> {
                common.add(select(
                        "signal",
                        "waits for",
                        List.of(new Choice("false", "a time"), new Choice("true", "a signal")),
                        true));
                common.add(new Setting(
                        "seconds",
                        says("signal") ? "for at most" : "of",
                        Control.SHORT,
                        Spans.of(number("seconds")),
                        "60s, 10m, 2h, 3d",
                        List.of(),
                        false));
                if (says("signal")) {
                    common.add(variable("variable", "keep its text in", "nothing"));
                }
            }
            case HAND_OFF -> {
                List<Choice> all = new ArrayList<>();
                all.add(new Choice("", "any team"));
                all.addAll(teams);
                common.add(select("team", "to", all, false));
                folded.add(area("brief", "The person reads", "the conversation alone"));
                folded.add(area(
                        "nobody",
                        "When nobody is there, it says",
                        "Nobody from the team is there to take over at the moment."));
                long patience = number("patience");
                folded.add(new Setting(
                        "patience",
                        "gives up waiting after",
                        Control.SHORT,
                        patience == 0 ? "" : Spans.of(patience),
                        "never",
                        List.of(),
                        false));
            }
            case MILESTONE -> {
                common.add(line("milestone", "Name", "what is counted"));
                common.add(
                        new Setting("value", "worth", Control.EXPRESSION, text("value"), "nothing", List.of(), false));
            }
            case TYPING ->
                common.add(select(
                        "closed",
                        "the text box is",
                        List.of(new Choice("false", "open"), new Choice("true", "closed")),
                        false));
            case GO_TO -> {
                common.add(flag("comeBack", "come back afterwards", true));
                common.add(flag("startAgain", "start the conversation again", true));
            }
            case END -> {
                common.add(flag("rating", "asks for a rating", true));
                if (says("rating")) {
                    common.add(line("rate", "with the words", "How was this conversation for you?"));
                }
            }
        }
        folded.add(line("title", "Title, for colleagues", "none"));
        folded.add(area("note", "Aside, for colleagues; goes with the file", "none"));
        return new Editor(List.copyOf(common), List.copyOf(folded), List.copyOf(lists));
    }

    private Items items(String path, String title, String add) {
        List<Item> items = new ArrayList<>();
        if (at(path) instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                String name = path.substring(path.lastIndexOf('.') + 1);
                JsonNode node = array.get(i);
                String key = node.hasNonNull("id")
                        ? node.get("id").asString()
                        : name.equals("facts") ? node.path("variable").asString() : Integer.toString(i);
                items.add(item(name, path + "." + key + ".", key));
            }
        }
        return new Items(path, title, add, List.copyOf(items));
    }

    private Item item(String list, String path, String key) {
        List<Setting> common = new ArrayList<>();
        List<Setting> folded = new ArrayList<>();
        List<Items> inner = new ArrayList<>();
        String exit = "";
        switch (list) {
            case "rules" -> {
                exit = "rule:" + key;
                common.add(new Setting(
                        path + "when",
                        "if",
                        Control.CONDITION,
                        text(path + "when"),
                        "guests more than 20",
                        List.of(),
                        false));
                folded.add(line(path + "name", "Name", "the rule itself"));
            }
            case "arms" -> {
                exit = "arm:" + key;
                common.add(new Setting(
                        path + "name", "arm", Control.LINE, text(path + "name"), "its name", List.of(), false));
                common.add(small(path + "weight", "weight", "50", ""));
            }
            case "sets" -> {
                common.add(variable(path + "variable", "set", "variable"));
                common.add(new Setting(
                        path + "value",
                        "to",
                        Control.EXPRESSION,
                        text(path + "value"),
                        "guests * 4",
                        List.of(),
                        false));
            }
            case "checks" -> {
                common.add(new Setting(
                        path + "rule",
                        "must hold",
                        Control.CONDITION,
                        text(path + "rule"),
                        "guests at most 60",
                        List.of(),
                        false));
                common.add(line(path + "words", "otherwise it says", "That does not fit here"));
            }
            case "bubbles" -> {
                common.add(area(path + "say.0", "", "Another bubble"));
                common.add(media(path + "media", "shows"));
                if (at(path + "media") instanceof ObjectNode) {
                    common.addAll(mediaParts(path + "media."));
                }
            }
            case "facts" -> {
                ValueType type = ValueType.of(text(path + "type"));
                common.add(new Setting(
                        path + "label", "", Control.LINE, text(path + "label"), "What it is called", List.of(), false));
                common.add(select(path + "type", "", FACT_TYPES, true));
                common.add(variable(path + "variable", "in", "variable", true));
                folded.add(flag(path + "optional", "may be left out", false));
                folded.add(area(path + "ask", "It asks", "a question made from its name"));
                folded.add(line(path + "group", "Asked together with others of the group", "alone"));
                folded.addAll(limits(path, type));
                folded.add(line(path + "example", "Example", "none"));
                folded.add(area(path + "retry", "When not understood, it says", "the usual words"));
                if (type == ValueType.CHOICE || type == ValueType.MULTI_CHOICE) {
                    inner.add(items(path + "options", "Options", "an option"));
                }
                inner.add(items(path + "checks", "Checks", "a check"));
            }
            case "options" -> {
                common.add(line(path + "label", "", "Option"));
                common.add(line(path + "also", "", "also typed as…"));
            }
            default -> {}
        }
        return new Item(key, exit, List.copyOf(common), List.copyOf(folded), List.copyOf(inner));
    }

    /** More of a Choice's option: what lists and tiles show. */
    static List<Setting> option(Step step, String option) {
        StepSettings settings = new StepSettings(StepJson.tree(step), List.of());
        String path = "options." + option + ".";
        String layout = settings.text("layout");
        List<Setting> more = new ArrayList<>();
        more.add(settings.line(path + "text", "line beneath", "none"));
        if (layout.equals("list")) {
            more.add(settings.line(path + "group", "in the group", "none"));
        }
        if (layout.equals("tiles")) {
            more.add(settings.line(path + "picture", "picture", "/media/… or https://…", Control.MEDIA));
            more.add(settings.line(path + "alt", "it shows", "described for those who cannot see it"));
        }
        more.add(settings.line(path + "link", "opens instead", "https://…"));
        return List.copyOf(more);
    }

    private List<Setting> limits(String path, ValueType type) {
        List<Setting> limits = new ArrayList<>();
        String at = path + "limits.";
        switch (type) {
            case NUMBER, MONEY, SLIDER, RATING -> {
                limits.add(small(at + "min", "from", "no least", ""));
                limits.add(small(at + "max", "to", "no most", ""));
                if (type == ValueType.NUMBER) {
                    limits.add(flag(at + "whole", "whole numbers only", false));
                }
                if (type == ValueType.SLIDER) {
                    limits.add(small(at + "by", "in steps of", "1", ""));
                }
                if (type == ValueType.RATING) {
                    limits.add(select(
                            at + "look",
                            "shown as",
                            List.of(
                                    new Choice("", "stars"),
                                    new Choice("faces", "faces"),
                                    new Choice("numbers", "numbers")),
                            false));
                }
            }
            case DATE, DATE_TIME -> {
                limits.add(small(at + "earliest", "from", "any day", "today, +3, 2026-05-01"));
                limits.add(small(at + "latest", "to", "any day", "+90, 2026-12-31"));
                limits.add(line(at + "weekdays", "only on", "every day of the week"));
            }
            case TIME -> {
                limits.add(small(at + "earliest", "from", "00:00", ""));
                limits.add(small(at + "latest", "to", "23:59", ""));
            }
            case PHONE -> limits.add(small(at + "region", "numbers of", "the bot's country", "GB, DE …"));
            case FILE -> {
                limits.add(line(at + "fileTypes", "kinds of files", "jpg, png, pdf and other usual ones"));
                limits.add(small(at + "megabytes", "at most", "10", "MB"));
            }
            default -> {}
        }
        return limits;
    }
}
