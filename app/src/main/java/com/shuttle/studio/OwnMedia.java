package com.shuttle.studio;

import com.shuttle.bots.OutsideMedia;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepJson;
import com.shuttle.web.Checked;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * Pictures and films at addresses outside become the bot's own when a step with them is saved; links to pages and files stay links.
 * Thread-safe.
 */
@Component
class OwnMedia {

    private static final Pattern FILM = Pattern.compile("(?i)[^?#]+\\.(?:mp4|m4v|webm|mov)(?:[?#].*)?");

    private final OutsideMedia outside;

    OwnMedia(OutsideMedia outside) {
        this.outside = outside;
    }

    /** An edit that sets the address of a picture, as it is to be made; most are as they are. Bad where it cannot be fetched. */
    Checked<Edit> kept(String bot, Flow flow, Edit edit) {
        if (!(edit instanceof Edit.Set set) || !OutsideMedia.isOutside(set.value())) {
            return Checked.good(edit);
        }
        Step step = flow.findStep(set.step()).orElse(null);
        int last = set.field().lastIndexOf('.');
        String name = set.field().substring(last + 1);
        JsonNode owner = step == null
                ? null
                : owner(StepJson.tree(step), last < 0 ? "" : set.field().substring(0, last));
        boolean shown = owner != null && isShown(name, owner.path("type").asString(""), set.value());
        return !shown
                ? Checked.good(edit)
                : switch (outside.kept(bot, set.value())) {
                    case Checked.Good<String>(String own) ->
                        Checked.good(new Edit.Set(set.step(), set.field(), own, set.was()));
                    case Checked.Bad<String> bad -> new Checked.Bad<>(bad.errors());
                };
    }

    /** A flow with its pictures and films as the bot's own. @param left is given each address that could not be fetched */
    Flow kept(String bot, Flow flow, List<String> left) {
        List<Section> sections = flow.sections().stream()
                .map(section -> section.withSteps(section.steps().stream()
                        .map(step -> kept(bot, step, left))
                        .toList()))
                .toList();
        return flow.withSections(sections);
    }

    private Step kept(String bot, Step step, List<String> left) {
        ObjectNode tree = StepJson.tree(step);
        return replace(bot, tree, left) ? StepJson.step(tree) : step;
    }

    private boolean replace(String bot, JsonNode node, List<String> left) {
        boolean replaced = false;
        for (JsonNode child : node) {
            replaced |= replace(bot, child, left);
        }
        for (String name : node instanceof ObjectNode ? List.of("address", "picture") : List.<String>of()) {
            String address = node.path(name).asString("");
            if (OutsideMedia.isOutside(address)
                    && isShown(name, node.path("type").asString(""), address)) {
                Optional<String> own = outside.kept(bot, address) instanceof Checked.Good<String>(String kept)
                        ? Optional.of(kept)
                        : Optional.empty();
                own.ifPresentOrElse(kept -> ((ObjectNode) node).put(name, kept), () -> left.add(address));
                replaced |= own.isPresent();
            }
        }
        return replaced;
    }

    /** Whether an address is shown and not linked to. @param type of the medium; empty for the picture of an option */
    private static boolean isShown(String name, String type, String address) {
        boolean still = type.equals(Media.Type.PICTURE.key()) || type.equals(Media.Type.ANIMATION.key());
        boolean film =
                type.equals(Media.Type.VIDEO.key()) && FILM.matcher(address).matches();
        return name.equals("picture") || name.equals("address") && (still || film);
    }

    private static JsonNode owner(JsonNode tree, String path) {
        JsonNode at = tree;
        for (String key : path.isEmpty() ? new String[0] : path.split("\\.")) {
            at = at instanceof ArrayNode items ? item(items, key) : at.path(key);
        }
        return at;
    }

    private static JsonNode item(ArrayNode items, String key) {
        for (JsonNode item : items) {
            if (item.path("id").asString("").equals(key)) {
                return item;
            }
        }
        return key.matches("\\d{1,3}") ? items.path(Integer.parseInt(key)) : items.path(-1);
    }
}
