package com.shuttle.standins;

import jakarta.mail.Message.RecipientType;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Properties;
import java.util.SplittableRandom;
import tools.jackson.databind.JsonNode;

/**
 * A stand-in for an identity check: mails a code of six figures and tells whether what is brought back is it, three times at
 * most; or mails a link, and posts to the address that it was given whether it was they ({@code {"verified":true}}). Wants the key {@value #KEY} in the
 * query as {@code key}.
 */
public final class IdentityCheck extends HttpStandIn {

    public static final String KEY = "identity-key";

    private static final int MOST_TRIES = 3;

    private record Check(String email, String code, int tries) {}

    /** What it keeps: codes that were sent, and where confirmations go. */
    private record Memory(Map<String, Check> checks, Map<String, String> callbacks) {}

    private final MailServer mail;
    private final Map<String, Check> checks = new LinkedHashMap<>();
    private final Map<String, String> callbacks = new LinkedHashMap<>();
    private final SplittableRandom random = new SplittableRandom();

    public IdentityCheck(MailServer mail, int port) throws IOException {
        super("Identity check", port);
        this.mail = mail;
    }

    @Override
    protected Object memory() {
        return new Memory(checks, callbacks);
    }

    @Override
    protected void recall(JsonNode memory) {
        Memory kept = JSON.treeToValue(memory, Memory.class);
        checks.putAll(kept.checks());
        callbacks.putAll(kept.callbacks());
    }

    @Override
    protected Reply reply(Call call) {
        String[] path = call.path().split("/");
        if (path.length == 3 && path[1].equals("confirm")) {
            return confirm(call, path[2]);
        }
        if (!KEY.equals(call.query().get("key"))) {
            return Reply.json(403, Map.of("error", "the key is missing or wrong"));
        }
        String email = call.json().path("email").asString("");
        if (call.path().equals("/codes") && !email.isBlank()) {
            String number = "Q" + (checks.size() + 1);
            Check check = new Check(email, Integer.toString(random.nextInt(100_000, 1_000_000)), 0);
            checks.put(number, check);
            send(email, "Your code", "Your code is " + check.code() + ".");
            return Reply.json(201, Map.of("check", number));
        }
        if (path.length == 3 && path[1].equals("codes") && checks.containsKey(path[2])) {
            return tried(path[2], call.json().path("code").asString(""));
        }
        if (call.path().equals("/confirmations") && !email.isBlank()) {
            String number = "W" + (callbacks.size() + 1) + random.nextInt(1_000_000);
            callbacks.put(number, call.json().path("callback").asString(""));
            send(email, "Please confirm", "Please confirm at http://localhost:" + port() + "/confirm/" + number);
            return Reply.json(201, Map.of("confirmation", number));
        }
        return Reply.json(404, Map.of("error", "there is no such address"));
    }

    private Reply tried(String number, String code) {
        Check before = Objects.requireNonNull(checks.get(number));
        Check check = new Check(before.email(), before.code(), before.tries() + 1);
        checks.put(number, check);
        if (check.tries() > MOST_TRIES) {
            return Reply.json(200, Map.of("state", "over"));
        }
        boolean right = code.replaceAll("\\D", "").equals(check.code());
        return Reply.json(200, Map.of("state", right ? "right" : check.tries() == MOST_TRIES ? "over" : "wrong"));
    }

    private Reply confirm(Call call, String number) {
        String callback = callbacks.get(number);
        if (callback == null) {
            return Reply.json(404, Map.of("error", "there is nothing to confirm"));
        }
        if (call.method().equals("POST")) {
            try (HttpClient client = HttpClient.newHttpClient()) {
                HttpRequest request = HttpRequest.newBuilder(URI.create(callback))
                        .header("Content-Type", "application/json")
                        .POST(HttpRequest.BodyPublishers.ofString(
                                "{\"verified\":" + !call.form().containsKey("no") + "}"))
                        .build();
                client.send(request, HttpResponse.BodyHandlers.discarding());
            } catch (IOException e) {
                return Reply.json(502, Map.of("error", "the caller does not answer"));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return Reply.page(StandInPage.begin("Thank you")
                    .append("<p>It is told to whoever asked.")
                    .toString());
        }
        return Reply.page(StandInPage.begin("Is it you?")
                .append("<form method=post><button>Yes, it is me</button> <button name=no value=1>No</button></form>")
                .toString());
    }

    private void send(String to, String subject, String text) {
        Properties settings = new Properties();
        settings.put("mail.smtp.host", "127.0.0.1");
        settings.put("mail.smtp.port", Integer.toString(mail.port()));
        try {
            MimeMessage message = new MimeMessage(Session.getInstance(settings));
            message.setFrom(new InternetAddress("check@identity.example"));
            message.setRecipient(RecipientType.TO, new InternetAddress(to));
            message.setSubject(subject);
            message.setText(text);
            Transport.send(message);
        } catch (MessagingException e) {
            throw new IllegalStateException("the code could not be sent", e);
        }
    }

    /** The code that was sent last to an address; empty for none. */
    public synchronized String codeFor(String email) {
        return checks.values().stream()
                .filter(check -> check.email().equals(email))
                .reduce("", (before, check) -> check.code(), (a, b) -> b);
    }

    @Override
    protected List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Check", "Email", "Tries"));
        checks.forEach((number, check) -> rows.add(List.of(number, check.email(), Integer.toString(check.tries()))));
        return rows;
    }
}
