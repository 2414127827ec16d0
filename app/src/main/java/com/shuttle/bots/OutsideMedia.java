package com.shuttle.bots;

import com.shuttle.web.Checked;
import com.shuttle.web.Outgoing;
import java.io.IOException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Pictures and films that lie outside, kept here: visitors' browsers are shown nothing from elsewhere, and what lies elsewhere may
 * be gone tomorrow. Thread-safe.
 */
@Component
public class OutsideMedia {

    private final Outgoing outgoing;
    private final MediaService media;

    OutsideMedia(Outgoing outgoing, MediaService media) {
        this.outgoing = outgoing;
        this.media = media;
    }

    public static boolean isOutside(String address) {
        return address.startsWith("https://") || address.startsWith("http://");
    }

    /** Fetches and keeps what lies at an address. @return the address that it is shown by here */
    public Checked<String> kept(@Nullable String bot, String address) {
        String from = address.strip();
        try {
            return media.keep(bot, from.substring(from.lastIndexOf('/') + 1), outgoing.page(from));
        } catch (Outgoing.Refused refused) {
            return Checked.bad("file", "It could not be fetched: " + refused.getMessage() + " Upload it instead.");
        } catch (IOException e) {
            return Checked.bad("file", "It could not be kept just now. Try again, or upload it.");
        }
    }
}
