package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.conversation.Signals;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Wait;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * Addresses of signals that stand in texts, calls and mails before their step is reached: each has its key from the first time it
 * is written, and what comes for it early is kept until the step waits. For one turn.
 */
public final class AheadSignals {

    private static final Pattern PLACEHOLDER = Pattern.compile("\\{\\{\\s*signal\\s*}}");

    private final TurnRun run;
    private final Map<String, String> keys;
    private final Map<String, Signals.Brought> brought;

    AheadSignals(TurnRun run, Signals signals) {
        this.run = run;
        this.keys = new LinkedHashMap<>(signals.keys());
        this.brought = new LinkedHashMap<>(signals.brought());
    }

    /** A text with the address of the nearest signal ahead in this flow for {@code {{signal}}}; nothing where none is. */
    String filled(String text) {
        if (!text.contains("signal") || !PLACEHOLDER.matcher(text).find()) {
            return text;
        }
        Place waits = nearest(run.at());
        String address = waits == null ? "" : run.ask(new Query.SignalAddress(key(waits)));
        return PLACEHOLDER.matcher(text).replaceAll(Matcher.quoteReplacement(address));
    }

    private @Nullable Place nearest(@Nullable Place here) {
        Flow flow = here == null ? null : run.playbook.flow(here.flow());
        if (here == null || flow == null) {
            return null;
        }
        List<Step> steps = flow.allSteps();
        int at = 0;
        while (at < steps.size() && !steps.get(at).id().equals(here.step())) {
            at++;
        }
        for (int i = 0; i < steps.size(); i++) {
            Step step = steps.get((at + i) % steps.size());
            if (step instanceof Wait wait && wait.signal()) {
                return new Place(here.flow(), step.id());
            }
        }
        return null;
    }

    private String key(Place place) {
        return keys.computeIfAbsent(name(place), none -> run.newKey());
    }

    private static String name(Place place) {
        return place.flow() + "/" + place.step();
    }

    /** The key that a step waits for from now on: the one that was given out, or a new one. */
    public String take(Place place) {
        String key = key(place);
        keys.remove(name(place));
        return key;
    }

    /** What has come for a key already; null for nothing. */
    public Signals.@Nullable Brought takeBrought(String key) {
        return brought.remove(key);
    }

    /** Keeps what came for a key that nothing waits for yet. */
    public void keep(String key, String text, @Nullable JsonNode body) {
        run.trace("signal came", "before anything waits for it");
        brought.put(key, new Signals.Brought(text, body));
    }

    Signals kept() {
        return new Signals(keys, brought);
    }
}
