package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Errand;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Given;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.flow.CallService;
import com.shuttle.core.flow.CallService.Give;
import com.shuttle.core.flow.CallService.Result;
import com.shuttle.core.flow.CallService.Take;
import com.shuttle.core.reading.Value;
import com.shuttle.core.service.CallResult;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Sends what a service is to be asked, waits for what comes of it, and goes by that. */
final class CallServicePlayer extends Player {

    private static final JsonMapper JSON = JsonMapper.shared();

    private final CallService step;

    CallServicePlayer(CallService step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        Map<String, Value> inputs = new LinkedHashMap<>();
        for (Give give : step.gives()) {
            Value value = give.input().isEmpty() ? null : Given.of(give.value(), run);
            if (value != null) {
                inputs.put(give.input(), value);
            }
        }
        run.trace(
                "calls a service",
                inputs.entrySet().stream()
                        .map(input -> input.getKey() + " " + input.getValue().shown())
                        .collect(Collectors.joining(", ")));
        String key = run.newKey();
        String words = step.meanwhile().isBlank() ? Phrasebook.ONE_MOMENT : run.filled(step.meanwhile());
        run.send(new Errand.Call(key, step.service(), inputs), new Awaiting.Called(key, words));
    }

    @Override
    public void came(@Nullable JsonNode came) {
        run.await(null);
        CallResult result = came == null || came.isNull()
                ? CallResult.failed("nothing came of it in time")
                : JSON.treeToValue(came, CallResult.class);
        Optional<Result> way = step.results().stream()
                .filter(one -> !result.hasFailed() && one.result().equals(result.result()))
                .findFirst();
        run.trace("the service replied", result.hasFailed() ? "failed: " + result.why() : told(result));
        for (Take take : step.takes()) {
            if (take.variable().isBlank()) {
                continue;
            }
            Value value = result.outputs().get(take.output());
            if (value != null && way.isPresent()) {
                run.facts.set(take.variable(), value);
            } else {
                run.facts.forget(take.variable());
            }
        }
        course.leave(step, way.map(Result::exit).orElse(CallService.FAILED.id()));
    }

    private static String told(CallResult result) {
        String outputs = result.outputs().entrySet().stream()
                .map(output -> output.getKey() + " " + output.getValue().shown())
                .sorted()
                .collect(Collectors.joining(", "));
        return outputs.isEmpty() ? result.result() : result.result() + ": " + outputs;
    }
}
