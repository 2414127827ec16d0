package com.shuttle.core.flow;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A further bubble of a message: words, a medium, or both.
 *
 * @param say   wordings that rotate; may be empty where there is a medium
 * @param media may be null
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record Bubble(List<String> say, @Nullable Media media) {
    public Bubble {
        say = Parts.atLeastOne(say);
    }
}
