package com.shuttle.core.service;

import com.shuttle.core.service.Service.Header;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Result;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import tools.jackson.core.JsonPointer;

/** What a service lacks before it can be published. Pure functions. */
public final class ServiceChecks {

    private static final Pattern KEY = Pattern.compile("[a-z][a-z0-9_]{0,39}");
    private static final Pattern STATUS = Pattern.compile("(?i)\\s*[1-5](\\d\\d|xx)\\s*(,\\s*[1-5](\\d\\d|xx)\\s*)*");
    private static final Pattern HEADER = Pattern.compile("[A-Za-z0-9!#$%&'*+.^_`|~-]{1,60}");

    /** Headers that are not a designer's to write: they belong to the connection or the transport. */
    private static final Set<String> KEPT = Set.of(
            "host", "content-length", "transfer-encoding", "connection", "authorization", "cookie", "idempotency-key");

    private ServiceChecks() {}

    /** What is wrong, by the place: {@code inputs.0}, {@code path}, {@code headers.1}, {@code body}, {@code results} …; empty where nothing is. */
    public static Map<String, String> faults(Service service) {
        Map<String, String> faults = new LinkedHashMap<>();
        if (service.name().isBlank()) {
            faults.put("name", "Please give it a name.");
        }
        keys(service, faults);
        request(service, faults);
        replies(service, faults);
        return faults;
    }

    private static void keys(Service service, Map<String, String> faults) {
        Set<String> inputs = new HashSet<>();
        for (int i = 0; i < service.inputs().size(); i++) {
            Input input = service.inputs().get(i);
            if (!KEY.matcher(input.key()).matches()) {
                faults.put("inputs." + i, "A name has small letters, digits and _ in it, and begins with a letter.");
            } else if (!inputs.add(input.key())) {
                faults.put("inputs." + i, "There is another input of this name.");
            } else if (input.kind() == Kind.LIST) {
                faults.put("inputs." + i, "A list cannot go in.");
            }
        }
        Set<String> outputs = new HashSet<>();
        for (int i = 0; i < service.outputs().size(); i++) {
            Output output = service.outputs().get(i);
            if (!KEY.matcher(output.key()).matches()) {
                faults.put("outputs." + i, "A name has small letters, digits and _ in it, and begins with a letter.");
            } else if (!outputs.add(output.key())) {
                faults.put("outputs." + i, "There is another output of this name.");
            } else if (!isPointer(output.pointer())) {
                faults.put("outputs." + i, "A place in the reply is written like /customer/number.");
            }
        }
    }

    private static void request(Service service, Map<String, String> faults) {
        Service.Request request = service.request();
        if (!request.path().startsWith("/")
                || request.path().startsWith("//")
                || request.path().matches(".*\\s.*")) {
            faults.put("path", "It begins with / and has no spaces; it follows the connection's address.");
        }
        Set<String> names = new HashSet<>();
        for (int i = 0; i < request.headers().size(); i++) {
            Header header = request.headers().get(i);
            if (!HEADER.matcher(header.name()).matches()) {
                faults.put("headers." + i, "A header's name has letters, digits and dashes.");
            } else if (KEPT.contains(header.name().toLowerCase(java.util.Locale.ROOT))) {
                faults.put("headers." + i, "This header is written by Shuttle; keys belong to the connection.");
            } else if (!names.add(header.name().toLowerCase(java.util.Locale.ROOT))) {
                faults.put("headers." + i, "There is another header of this name.");
            }
        }
        for (String placeholder : Requests.placeholders(request)) {
            if (service.input(placeholder).isEmpty()) {
                faults.putIfAbsent("request", "{{" + placeholder + "}} is no input.");
            }
        }
        String json = Requests.jsonFault(service);
        if (!json.isEmpty()) {
            faults.put("body", json);
        }
    }

    private static void replies(Service service, Map<String, String> faults) {
        Set<String> names = new HashSet<>();
        if (service.results().isEmpty()) {
            faults.put("results", "Please name at least one thing that a call can come to.");
        }
        for (int i = 0; i < service.results().size(); i++) {
            Result result = service.results().get(i);
            if (result.name().isBlank()) {
                faults.put("results." + i, "Please name the result.");
            } else if (!names.add(result.name().toLowerCase(java.util.Locale.ROOT))
                    || result.name().equalsIgnoreCase("failed")) {
                faults.put("results." + i, "There is another way out of this name.");
            } else if (!STATUS.matcher(result.status()).matches()) {
                faults.put("results." + i, "A status is a number like 200, or 2xx for all of them.");
            } else if (!result.pointer().isEmpty() && !isPointer(result.pointer())) {
                faults.put("results." + i, "A place in the reply is written like /state.");
            }
        }
    }

    private static boolean isPointer(String pointer) {
        try {
            JsonPointer.compile(pointer);
            return !pointer.isBlank();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }
}
