package com.shuttle.standins;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.BodyPart;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/** A stand-in for a mail server: takes all mail by SMTP and shows it on a page. Thread-safe. */
public final class MailServer implements AutoCloseable {

    /** A mail that came. @param text its plain part @param html its formatted part; may be empty */
    public record Mail(
            String from,
            List<String> to,
            String subject,
            String text,
            String html,
            String messageId,
            String calendar) {}

    private final int wanted;
    private final List<Mail> before = new ArrayList<>();
    private GreenMail mail;
    private int port;
    private boolean up;

    /** @param port of SMTP; 0 for any that is free */
    public MailServer(int port) {
        this.wanted = port;
        this.mail = started(wanted);
        this.port = mail.getSmtp().getPort();
        this.up = true;
    }

    private static GreenMail started(int port) {
        ServerSetup setup =
                new ServerSetup(port, InetAddress.getLoopbackAddress().getHostAddress(), "smtp");
        GreenMail mail = new GreenMail(setup);
        mail.start();
        return mail;
    }

    public synchronized int port() {
        return port;
    }

    /** Whether it takes mail. */
    public synchronized boolean up() {
        return up;
    }

    /** Goes away, or comes back at the same port. What came before is kept. */
    public synchronized void up(boolean takes) {
        if (takes && !up) {
            mail = started(port);
        } else if (!takes && up) {
            before.addAll(received());
            mail.stop();
        }
        up = takes;
    }

    /** All mail that came, oldest first. */
    public synchronized List<Mail> mails() {
        List<Mail> all = new ArrayList<>(before);
        if (up) {
            all.addAll(received());
        }
        return all;
    }

    private List<Mail> received() {
        return Arrays.stream(mail.getReceivedMessages()).map(MailServer::mail).toList();
    }

    private static Mail mail(MimeMessage message) {
        try {
            List<String> to = message.getAllRecipients() == null
                    ? List.of()
                    : Arrays.stream(message.getAllRecipients())
                            .map(Object::toString)
                            .toList();
            String from = Arrays.stream(message.getFrom()).map(Object::toString).collect(Collectors.joining(", "));
            return new Mail(
                    from,
                    to,
                    message.getSubject() == null ? "" : message.getSubject(),
                    part(message.getContent(), "text/plain"),
                    part(message.getContent(), "text/html"),
                    message.getMessageID(),
                    part(message.getContent(), "text/calendar"));
        } catch (MessagingException e) {
            throw new IllegalStateException("a mail cannot be read", e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String part(Object content, String type) throws MessagingException, IOException {
        if (content instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                BodyPart part = parts.getBodyPart(i);
                String found = part.isMimeType(type)
                        ? text(part.getContent())
                        : part.getContent() instanceof Multipart inner ? part(inner, type) : "";
                if (!found.isEmpty()) {
                    return found;
                }
            }
            return "";
        }
        return type.equals("text/plain") ? content.toString() : "";
    }

    private static String text(Object content) throws IOException {
        return content instanceof InputStream in
                ? new String(in.readAllBytes(), StandardCharsets.UTF_8)
                : content.toString();
    }

    @Override
    public synchronized void close() {
        if (up) {
            mail.stop();
        }
    }
}
