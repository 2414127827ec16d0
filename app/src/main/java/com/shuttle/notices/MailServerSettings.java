package com.shuttle.notices;

import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.util.Locale;

/**
 * The server that takes mail.
 *
 * @param host       empty while there is none
 * @param user       empty where it asks for none
 * @param password   sealed where it is stored
 * @param sender     address that mail comes from
 * @param senderName may be empty
 */
public record MailServerSettings(
        String host, int port, Protection protection, String user, String password, String sender, String senderName) {

    public static final MailServerSettings NONE = new MailServerSettings("", 587, Protection.STARTTLS, "", "", "", "");

    private static final int MOST = 65_535;

    /** How what is sent is kept from others. */
    public enum Protection {
        NONE("not at all"),
        STARTTLS("TLS, asked for (STARTTLS)"),
        TLS("TLS from the start");

        private final String label;

        Protection(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Protection of(String key) {
            for (Protection protection : values()) {
                if (protection.key().equals(key)) {
                    return protection;
                }
            }
            return STARTTLS;
        }
    }

    public boolean there() {
        return !host.isEmpty();
    }

    /** All that settles where the password is sent, as whose, and how well it is kept from others on the way. */
    String goesTo() {
        return host + " " + port + " " + protection.key() + " " + user;
    }

    public MailServerSettings withPassword(String other) {
        return new MailServerSettings(host, port, protection, user, other, sender, senderName);
    }

    Checked<MailServerSettings> checked() {
        return new Checked.Errors()
                .require(
                        host.isEmpty() || host.matches("[A-Za-z0-9.:_-]{1,200}"),
                        "host",
                        "A server has a name like mail.example.org; leave it empty for none.")
                .require(port >= 1 && port <= MOST, "port", "A port is a number up to 65535; usual are 587 and 465.")
                .require(
                        host.isEmpty() || Addresses.isOne(sender),
                        "sender",
                        "Please give one address that mail comes from.")
                .require(
                        host.isEmpty() || user.isEmpty() || !password.isEmpty(),
                        "password",
                        "Please give it; it is needed anew where the server, its port, the protection or the name changes.")
                .require(
                        Length.NAME.holds(user) && Length.SECRET.holds(password) && Length.NAME.holds(senderName),
                        "user",
                        "This is too long.")
                .<MailServerSettings>bad()
                .orElseGet(() -> Checked.good(this));
    }
}
