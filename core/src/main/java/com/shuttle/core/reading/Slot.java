package com.shuttle.core.reading;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import java.util.List;

/**
 * One of several things looked for in a message.
 *
 * @param name    the variable it goes to; its words are cues ("check_out")
 * @param label   what people call it; its words are cues too; may be empty
 * @param type    what it is
 * @param options for choices; otherwise empty
 */
public record Slot(String name, String label, ValueType type, List<Option> options) {
    public Slot {
        options = List.copyOf(options);
    }
}
