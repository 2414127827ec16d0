package com.shuttle.standins;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;

/**
 * A stand-in for the stock of telescopes on loan. Takes forms, replies in JSON; programs get in with the name {@value #NAME} and
 * the password {@value #PASSWORD}.
 */
public final class LoanStock extends HttpStandIn {

    public static final String NAME = "tarnfell";
    public static final String PASSWORD = "stock-password";

    private final Map<String, Integer> free = new TreeMap<>();
    private final List<Loan> loans = new ArrayList<>();

    private record Loan(String reference, String model, String email, String from) {}

    public LoanStock(int port) throws IOException {
        super("Loan stock", port);
        free.put("Lapwing 130", 3);
        free.put("Finch 70", 1);
        free.put("Heath 200", 0);
    }

    @Override
    protected Object memory() {
        return loans;
    }

    @Override
    protected void recall(JsonNode memory) {
        for (JsonNode one : memory) {
            Loan loan = JSON.treeToValue(one, Loan.class);
            loans.add(loan);
            free.merge(loan.model(), -1, Integer::sum);
        }
    }

    @Override
    protected Reply reply(Call call) {
        String expected = "Basic "
                + java.util.Base64.getEncoder()
                        .encodeToString((NAME + ":" + PASSWORD).getBytes(java.nio.charset.StandardCharsets.UTF_8));
        if (!expected.equals(call.headers().get("authorization"))) {
            return Reply.json(401, Map.of("error", "who is calling?"));
        }
        if (call.path().equals("/telescopes")) {
            String model = call.query().getOrDefault("model", "");
            return free.containsKey(model)
                    ? Reply.json(200, Map.of("model", model, "free", free.get(model)))
                    : Reply.json(404, Map.of("error", "there is no such telescope"));
        }
        if (call.path().equals("/loans") && call.method().equals("POST")) {
            Map<String, String> form = call.form();
            String model = form.getOrDefault("model", "");
            if (free.getOrDefault(model, 0) < 1) {
                return Reply.json(200, Map.of("state", "none free"));
            }
            free.merge(model, -1, Integer::sum);
            String reference = "L-" + (501 + loans.size());
            loans.add(new Loan(reference, model, form.getOrDefault("email", ""), form.getOrDefault("from", "")));
            return Reply.json(200, Map.of("state", "lent", "reference", reference));
        }
        return Reply.json(404, Map.of("error", "there is no such address"));
    }

    @Override
    protected List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Loan", "Telescope", "Email", "From"));
        free.forEach((model, count) -> rows.add(List.of(count + " free", model, "", "")));
        loans.forEach(loan -> rows.add(List.of(loan.reference(), loan.model(), loan.email(), loan.from())));
        return rows;
    }
}
