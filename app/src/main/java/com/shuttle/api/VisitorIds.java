package com.shuttle.api;

import com.shuttle.web.Ids;
import com.shuttle.web.Vault;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Names that tie a visitor's conversations together. They are made and signed here for one bot: what is remembered of a visitor
 * is told to whoever brings the signed id, and nobody can make up somebody else's. Thread-safe.
 */
@Component
class VisitorIds {

    private static final char BETWEEN = '.';

    private final Vault vault;

    VisitorIds(Vault vault) {
        this.vault = vault;
    }

    /** The id that was given, if it was made here for this bot; otherwise a new one. */
    String of(String bot, @Nullable String given) {
        String known = known(bot, given);
        if (!known.isEmpty()) {
            return known;
        }
        String fresh = Ids.next();
        return fresh + BETWEEN + vault.sign(signed(bot, fresh));
    }

    /** The id that was given, if it was made here for this bot; otherwise empty. */
    String known(String bot, @Nullable String given) {
        String id = given == null ? "" : given;
        int at = id.indexOf(BETWEEN);
        boolean ours =
                at > 0 && id.length() <= 100 && vault.signed(signed(bot, id.substring(0, at)), id.substring(at + 1));
        return ours ? id : "";
    }

    /** The id of somebody whom a website has named, the same each time. @param website its id @param name theirs there */
    String named(String bot, String website, String name) {
        String id = vault.sign("named " + website + " " + name);
        return id + BETWEEN + vault.sign(signed(bot, id));
    }

    private static String signed(String bot, String id) {
        return "visitor " + bot + " " + id;
    }
}
