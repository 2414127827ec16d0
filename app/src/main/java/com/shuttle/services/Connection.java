package com.shuttle.services;

import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.net.URI;
import java.net.URISyntaxException;
import java.time.Instant;
import java.util.Locale;

/**
 * Where services are, and how one gets in. A secret is only ever sent to this address, and to that of its token.
 *
 * @param address      http or https with a host, without a slash at its end
 * @param who          name of the header or of the part of the query, of the user, or of the client
 * @param tokenAddress where OAuth gives tokens; within {@code address} where it begins with a slash
 * @param scope        that is asked for with a token; may be empty
 * @param secret       sealed; empty for none
 */
record Connection(
        String id,
        String name,
        String address,
        Kind kind,
        String who,
        String tokenAddress,
        String scope,
        String secret,
        Instant updatedAt) {

    /** How one gets in. */
    enum Kind {
        NONE("nobody asks who calls", ""),
        HEADER("a key in a header", "Header"),
        QUERY("a key in the address", "Name in the address"),
        BASIC("a name and a password", "Name"),
        OAUTH("OAuth 2, client credentials", "Client");

        private final String label;
        private final String who;

        Kind(String label, String who) {
            this.label = label;
            this.who = who;
        }

        public String label() {
            return label;
        }

        /** What {@link Connection#who} is called. */
        public String who() {
            return who;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Kind of(String key) {
            for (Kind kind : values()) {
                if (kind.key().equals(key)) {
                    return kind;
                }
            }
            return NONE;
        }
    }

    boolean hasSecret() {
        return !secret.isEmpty();
    }

    /** The whole address where tokens are given. */
    String tokens() {
        return tokenAddress.startsWith("/") ? address + tokenAddress : tokenAddress;
    }

    /**
     * All that settles where its secret is sent, and as what. A secret was given for this alone: when any of it changes, a kept
     * one does not go along.
     */
    String goesTo() {
        return kind.key() + " " + address + (kind == Kind.OAUTH ? " " + tokens() : "");
    }

    /** @param hasSecret whether one is kept or given */
    Checked<Connection> checked(boolean hasSecret) {
        boolean header = kind != Kind.HEADER && kind != Kind.QUERY || who.matches("[A-Za-z0-9_.-]{1,60}");
        return new Checked.Errors()
                .require(!name.isBlank() && Length.NAME.holds(name), "name", "Please give it a name.")
                .require(
                        isAddress(address),
                        "address",
                        "It should look like https://records.example.org, without a question mark.")
                .require(
                        kind == Kind.NONE || !who.isBlank() && Length.NAME.holds(who) && header,
                        "who",
                        kind == Kind.HEADER || kind == Kind.QUERY
                                ? "A name with letters, digits and dashes, such as X-Key."
                                : "Please say who calls.")
                .require(
                        kind == Kind.NONE || hasSecret,
                        "secret",
                        "Please give it; it is needed anew where the way in or an address changes.")
                .require(
                        kind != Kind.OAUTH || tokenAddress.matches("/[^\\s?#]*") || isAddress(tokenAddress),
                        "tokenAddress",
                        "Where tokens are given: a path like /token, or a whole address.")
                .<Connection>bad()
                .orElseGet(() -> Checked.good(this));
    }

    static boolean isAddress(String address) {
        try {
            URI uri = new URI(address);
            return Length.ADDRESS.holds(address)
                    && uri.getHost() != null
                    && ("https".equals(uri.getScheme()) || "http".equals(uri.getScheme()))
                    && uri.getRawQuery() == null
                    && uri.getRawFragment() == null
                    && uri.getRawUserInfo() == null
                    && uri.getPort() <= 65_535;
        } catch (URISyntaxException e) {
            return false;
        }
    }
}
