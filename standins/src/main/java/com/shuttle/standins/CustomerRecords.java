package com.shuttle.standins;

import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/**
 * A stand-in for customer records: finds, makes and changes them, and refuses a second one with the same email. Wants the key
 * {@value #KEY} in the header {@code X-Key}. Describes itself at {@code /openapi.json}.
 */
public final class CustomerRecords extends HttpStandIn {

    /** What callers must bring. */
    public static final String KEY = "records-key";

    private static final List<String> PARTS = List.of("name", "email", "phone", "company", "note");

    /** A customer. */
    public record Customer(String number, Map<String, String> parts) {}

    private final List<Customer> customers = new ArrayList<>();

    public CustomerRecords(int port) throws IOException {
        super("Customer records", port);
    }

    /** In the order they were made. */
    public synchronized List<Customer> customers() {
        return List.copyOf(customers);
    }

    @Override
    protected Object memory() {
        return customers;
    }

    @Override
    protected void recall(JsonNode memory) {
        memory.forEach(one -> customers.add(JSON.treeToValue(one, Customer.class)));
    }

    @Override
    protected Reply reply(Call call) {
        if (call.path().equals("/openapi.json")) {
            return Reply.json(200, OpenApiFile.of("customer-records.json"));
        }
        if (!KEY.equals(call.headers().get("x-key"))) {
            return Reply.json(401, Map.of("error", "the key is missing or wrong"));
        }
        String[] path = call.path().split("/");
        if (path.length < 2 || !path[1].equals("customers")) {
            return Reply.json(404, Map.of("error", "there is no such address"));
        }
        return path.length == 2 ? all(call) : one(call, path[2]);
    }

    private Reply all(Call call) {
        return switch (call.method()) {
            case "GET" -> {
                List<Map<String, String>> found = customers.stream()
                        .filter(one -> one.parts()
                                .getOrDefault("email", "")
                                .equalsIgnoreCase(call.query().get("email")))
                        .map(CustomerRecords::shown)
                        .toList();
                yield Reply.json(200, Map.of("count", found.size(), "customers", found));
            }
            case "POST" -> make(call.json());
            default -> Reply.json(405, Map.of("error", "this cannot be done here"));
        };
    }

    private Reply make(JsonNode given) {
        String email = given.path("email").asString("").toLowerCase(Locale.ROOT);
        if (given.path("name").asString("").isBlank() || email.isBlank()) {
            return Reply.json(422, Map.of("error", "a customer needs a name and an email"));
        }
        Optional<Customer> same = customers.stream()
                .filter(one -> one.parts().getOrDefault("email", "").equalsIgnoreCase(email))
                .findFirst();
        if (same.isPresent()) {
            return Reply.json(
                    409,
                    Map.of(
                            "error",
                            "there is one with this email",
                            "number",
                            same.get().number()));
        }
        Customer made = new Customer("C-" + (1001 + customers.size()), parts(Map.of(), given));
        customers.add(made);
        return Reply.json(201, shown(made));
    }

    private Reply one(Call call, String number) {
        for (int i = 0; i < customers.size(); i++) {
            Customer customer = customers.get(i);
            if (customer.number().equals(number)) {
                if (call.method().equals("PATCH") || call.method().equals("PUT")) {
                    customers.set(i, new Customer(number, parts(customer.parts(), call.json())));
                }
                return Reply.json(200, shown(customers.get(i)));
            }
        }
        return Reply.json(404, Map.of("error", "there is no such customer"));
    }

    private static Map<String, String> parts(Map<String, String> before, JsonNode given) {
        Map<String, String> parts = new LinkedHashMap<>(before);
        for (String part : PARTS) {
            String value = given.path(part).asString("");
            if (!value.isBlank()) {
                parts.put(part, value);
            }
        }
        return parts;
    }

    private static Map<String, String> shown(Customer customer) {
        Map<String, String> shown = new LinkedHashMap<>();
        shown.put("number", customer.number());
        shown.putAll(customer.parts());
        return shown;
    }

    @Override
    protected List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("Number", "Name", "Email", "Phone", "Company", "Note"));
        for (Customer customer : customers) {
            List<String> row = new ArrayList<>(List.of(customer.number()));
            PARTS.forEach(part -> row.add(customer.parts().getOrDefault(part, "")));
            rows.add(row);
        }
        return rows;
    }
}
