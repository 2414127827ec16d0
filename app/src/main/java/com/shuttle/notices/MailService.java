package com.shuttle.notices;

import com.shuttle.web.Checked;
import com.shuttle.web.Remembered;
import com.shuttle.web.Vault;
import com.shuttle.web.Went;
import jakarta.mail.MessagingException;
import jakarta.mail.SendFailedException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Properties;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.ByteArrayResource;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mail by SMTP, with the server that an administrator has set. Thread-safe. */
@Service
public class MailService {

    private static final String MILLIS = "15000";
    private static final int PERMANENT = 500;

    private final NoticeStore store;
    private final Vault vault;
    private final Remembered<MailServerSettings> kept;

    MailService(NoticeStore store, Vault vault) {
        this.store = store;
        this.vault = vault;
        this.kept = new Remembered<>(() -> store.mailServer()
                .map(one -> one.withPassword(one.password().isEmpty() ? "" : vault.open(one.password())))
                .orElse(MailServerSettings.NONE));
    }

    /** With the password in the clear. */
    public MailServerSettings settings() {
        return kept.get();
    }

    /** @param wanted with its password in the clear; an empty one keeps what there is, as long as that goes the same way */
    @Transactional
    public Checked<MailServerSettings> set(MailServerSettings wanted) {
        boolean keeps =
                wanted.password().isEmpty() && wanted.goesTo().equals(settings().goesTo());
        MailServerSettings whole = keeps ? wanted.withPassword(settings().password()) : wanted;
        Checked<MailServerSettings> checked = whole.checked();
        if (checked instanceof Checked.Good<MailServerSettings>) {
            store.keep(whole.withPassword(whole.password().isEmpty() ? "" : vault.seal(whole.password())));
            kept.changed();
        }
        return checked;
    }

    /**
     * A mail, as text and HTML.
     *
     * @param id          names the mail, so that one which comes twice is known to be the same
     * @param calendar    an iCalendar file with its method; null for none
     * @param replyTo     where answers go; empty for the sender
     * @param unsubscribe address at which one press ends such mails (RFC 8058); empty for a mail that is no follow-up
     * @param file        goes with it; null for none
     */
    record Letter(
            String id,
            String to,
            String subject,
            String text,
            String html,
            @Nullable String calendar,
            String replyTo,
            String unsubscribe,
            @Nullable MailFile file) {}

    Went send(Letter letter) {
        MailServerSettings settings = settings();
        if (!settings.there()) {
            return new Went("There is no mail server; an administrator sets it under Settings.", false);
        }
        if (!Addresses.isOne(letter.to())) {
            return new Went("“" + letter.to() + "” is no address.", true);
        }
        try {
            JavaMailSenderImpl sender = sender(settings);
            Named message = new Named(sender.getSession(), "<" + letter.id() + "@" + domain(settings) + ">");
            MimeMessageHelper mail = new MimeMessageHelper(message, true, StandardCharsets.UTF_8.name());
            mail.setFrom(settings.sender(), settings.senderName());
            mail.setTo(letter.to());
            mail.setSubject(letter.subject().replaceAll("[\\p{Cntrl}]+", " ").strip());
            mail.setText(letter.text(), letter.html());
            String calendar = letter.calendar();
            if (calendar != null) {
                mail.addAttachment(
                        "appointment.ics",
                        new ByteArrayResource(calendar.getBytes(StandardCharsets.UTF_8)),
                        "text/calendar; charset=UTF-8; method=" + method(calendar));
            }
            besides(letter, mail, message);
            sender.send(message);
            return Went.WELL;
        } catch (MailSendException e) {
            return refused(e);
        } catch (MailException | MessagingException | UnsupportedEncodingException e) {
            return new Went(told(e), false);
        }
    }

    private static void besides(Letter letter, MimeMessageHelper mail, MimeMessage message) throws MessagingException {
        if (!letter.replyTo().isEmpty()) {
            mail.setReplyTo(letter.replyTo());
        }
        if (!letter.unsubscribe().isEmpty()) {
            message.setHeader("List-Unsubscribe", "<" + letter.unsubscribe() + ">");
            message.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
        }
        MailFile file = letter.file();
        if (file != null) {
            mail.addAttachment(file.name(), new ByteArrayResource(file.content()), file.type());
        }
    }

    private static String method(String calendar) {
        return calendar.contains("METHOD:CANCEL") ? "CANCEL" : "REQUEST";
    }

    /** A mail with an id of its own. */
    private static final class Named extends MimeMessage {
        private final String named;

        Named(Session session, String named) {
            super(session);
            this.named = named;
        }

        @Override
        protected void updateMessageID() throws MessagingException {
            setHeader("Message-ID", named);
        }
    }

    private static String domain(MailServerSettings settings) {
        return settings.sender().substring(settings.sender().indexOf('@') + 1);
    }

    private static JavaMailSenderImpl sender(MailServerSettings settings) {
        JavaMailSenderImpl sender = new JavaMailSenderImpl();
        sender.setHost(settings.host());
        sender.setPort(settings.port());
        sender.setDefaultEncoding(StandardCharsets.UTF_8.name());
        if (!settings.user().isEmpty()) {
            sender.setUsername(settings.user());
            sender.setPassword(settings.password());
        }
        Properties properties = sender.getJavaMailProperties();
        properties.setProperty("mail.smtp.auth", String.valueOf(!settings.user().isEmpty()));
        properties.setProperty("mail.smtp.connectiontimeout", MILLIS);
        properties.setProperty("mail.smtp.timeout", MILLIS);
        properties.setProperty("mail.smtp.writetimeout", MILLIS);
        switch (settings.protection()) {
            case NONE -> {}
            case STARTTLS -> {
                properties.setProperty("mail.smtp.starttls.enable", "true");
                properties.setProperty("mail.smtp.starttls.required", "true");
                properties.setProperty("mail.smtp.ssl.checkserveridentity", "true");
            }
            case TLS -> {
                properties.setProperty("mail.smtp.ssl.enable", "true");
                properties.setProperty("mail.smtp.ssl.checkserveridentity", "true");
            }
        }
        return sender;
    }

    /** A server that says no with a number from 500 on will say so again. */
    private static Went refused(MailSendException e) {
        boolean forGood = Arrays.stream(e.getMessageExceptions()).anyMatch(MailService::forGood);
        return new Went(told(e), forGood);
    }

    private static boolean forGood(@Nullable Exception e) {
        return switch (e) {
            case SMTPSendFailedException failed ->
                failed.getReturnCode() >= PERMANENT || forGood(failed.getNextException());
            case SMTPAddressFailedException failed -> failed.getReturnCode() >= PERMANENT;
            case SendFailedException failed -> forGood(failed.getNextException());
            case null, default -> false;
        };
    }

    private static String told(Exception e) {
        Throwable cause = e;
        while (cause.getCause() != null && cause.getCause() != cause) {
            cause = cause.getCause();
        }
        String message =
                cause.getMessage() == null ? "" : cause.getMessage().strip().replaceAll("\\s+", " ");
        return message.isEmpty() ? "The mail server does not answer." : message;
    }
}
