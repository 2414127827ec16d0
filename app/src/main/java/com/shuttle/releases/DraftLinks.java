package com.shuttle.releases;

import com.shuttle.web.PublicAddress;
import com.shuttle.web.Vault;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import org.springframework.stereotype.Component;

/**
 * Links by which somebody without an account talks to a bot's draft, until a time. They are signed and not stored. Thread-safe.
 */
@Component
public class DraftLinks {

    /** Below which they are. */
    public static final String PATH = "/panel/draft/";

    private final Vault vault;
    private final PublicAddress address;
    private final InstantSource clock;

    DraftLinks(Vault vault, PublicAddress address, InstantSource clock) {
        this.vault = vault;
        this.address = address;
        this.clock = clock;
    }

    /** A link's path that holds for so long from now on. */
    public String path(String bot, Duration holds) {
        long until = clock.instant().plus(holds).getEpochSecond();
        return PATH + bot + "/" + until + "/" + vault.sign(signed(bot, until));
    }

    /** The same as a whole address. */
    String link(String bot, Duration holds) {
        return address.of(path(bot, holds));
    }

    /** Whether a link was made here and its time has not come. @param until seconds since the epoch, as in the link */
    public boolean holds(String bot, String until, String signature) {
        return until.matches("\\d{1,12}")
                && vault.signed(signed(bot, Long.parseLong(until)), signature)
                && Instant.ofEpochSecond(Long.parseLong(until)).isAfter(clock.instant());
    }

    private static String signed(String bot, long until) {
        return "draft " + bot + " " + until;
    }
}
