package com.shuttle.notices;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.notices.MailServerSettings.Protection;
import com.shuttle.web.Checked;
import java.util.List;
import org.junit.jupiter.api.Test;

/** The mail server's password goes where it was given for. */
@ServerTest
class MailServiceTest {

    private static final MailServerSettings GIVEN = new MailServerSettings(
            "mail.example.org", 587, Protection.STARTTLS, "bots", "very-secret", "bots@example.org", "Bots");

    private final MailService mail;

    MailServiceTest(MailService mail) {
        this.mail = mail;
    }

    private static MailServerSettings without(String host, int port, Protection protection, String user) {
        return new MailServerSettings(host, port, protection, user, "", "bots@example.org", "Other");
    }

    @Test
    void anotherWayNeedsThePasswordAnew() {
        MailServerSettings before = mail.settings();
        try {
            TestData.good(mail.set(GIVEN));
            for (MailServerSettings other : List.of(
                    without("mail.example.com", 587, Protection.STARTTLS, "bots"),
                    without("mail.example.org", 2525, Protection.STARTTLS, "bots"),
                    without("mail.example.org", 587, Protection.NONE, "bots"),
                    without("mail.example.org", 587, Protection.STARTTLS, "others"))) {
                assertThat(mail.set(other))
                        .isInstanceOfSatisfying(
                                Checked.Bad.class,
                                bad -> assertThat(bad.errors().keySet().toString())
                                        .isEqualTo("[password]"));
            }
            assertThat(mail.settings()).isEqualTo(GIVEN);
            TestData.good(mail.set(without("mail.example.org", 587, Protection.STARTTLS, "bots")));
            assertThat(mail.settings().password()).isEqualTo("very-secret");
        } finally {
            TestData.good(mail.set(before));
        }
    }
}
