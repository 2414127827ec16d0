package com.shuttle.core.conversation;

import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.flow.ValueType;
import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a conversation waits for, as a page needs it to offer more than a text box.
 *
 * @param kind      of waiting, e.g. {@code question}; queue and person alike are {@code agent}
 * @param type      of the value asked for; null where there is none
 * @param hint      small words beneath; may be empty
 * @param example   may be empty
 * @param optional  whether it may be skipped
 * @param options   that may be picked now
 * @param layout    of the options
 * @param many      whether several may be picked
 * @param min       smallest number, null for none
 * @param max       largest number, null for none
 * @param by        step of a slider
 * @param earliest  first day, ISO, or first time; null for none
 * @param latest    last day or time; null for none
 * @param weekdays  days of the week that are taken; empty for all
 * @param look      of a rating
 * @param fileTypes endings taken; empty for the usual
 * @param megabytes of a file at most
 * @param typing    whether the text box is open
 */
public record Prompt(
        String kind,
        @Nullable ValueType type,
        String hint,
        String example,
        boolean optional,
        List<Offer> options,
        String layout,
        boolean many,
        @Nullable BigDecimal min,
        @Nullable BigDecimal max,
        @Nullable BigDecimal by,
        @Nullable String earliest,
        @Nullable String latest,
        List<String> weekdays,
        String look,
        List<String> fileTypes,
        int megabytes,
        boolean typing) {

    /** The layout of options beside which all free times may be looked at. */
    public static final String TIMES = "times";

    /** Endings of files that are taken where the designer has not said. */
    public static final List<String> USUAL_FILES =
            List.of("jpg", "jpeg", "png", "gif", "webp", "pdf", "txt", "csv", "docx", "xlsx", "odt", "ods");

    /** Size in megabytes where the designer has not said. */
    public static final int USUAL_MEGABYTES = 10;
}
