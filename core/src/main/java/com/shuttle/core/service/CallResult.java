package com.shuttle.core.service;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import com.shuttle.core.reading.Value;
import java.util.Map;

/**
 * What a call came to. Its JSON form is what an errand brings back.
 *
 * @param result  key of one of the service's results; empty where it failed
 * @param outputs what was taken from the reply; what it has not is left out
 * @param why     it failed, for designers; empty where it did not
 */
@JsonInclude(JsonInclude.Include.NON_EMPTY)
public record CallResult(String result, Map<String, Value> outputs, String why) {

    public CallResult {
        result = result == null ? "" : result;
        outputs = outputs == null ? Map.of() : Map.copyOf(outputs);
        why = why == null ? "" : why;
    }

    public static CallResult came(String result, Map<String, Value> outputs) {
        return new CallResult(result, outputs, "");
    }

    public static CallResult failed(String why) {
        return new CallResult("", Map.of(), why);
    }

    @JsonIgnore
    public boolean hasFailed() {
        return result.isEmpty();
    }
}
