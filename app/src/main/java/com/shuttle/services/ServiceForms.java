package com.shuttle.services;

import com.shuttle.core.reading.Words;
import com.shuttle.core.service.Kind;
import com.shuttle.core.service.Service;
import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Header;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntConsumer;

/** What people fill in for services and connections: rows are named {@code input.N.key} and so on. Pure functions. */
final class ServiceForms {

    static final List<String> METHODS = List.of("GET", "POST", "PUT", "PATCH", "DELETE");

    private static final int MOST_ROWS = 40;
    private static final int LONGEST = 500;

    private ServiceForms() {}

    /** A service as a form has it, whatever it lacks. Rows of which nothing is filled in are left out. */
    static Service service(Map<String, String> form) {
        List<Input> inputs = new ArrayList<>();
        rows(form, "input", i -> {
            String at = "input." + i + ".";
            if (filled(form, at, "key", "example")) {
                inputs.add(new Input(
                        key(line(form, at + "key")),
                        kind(form, at),
                        form.containsKey(at + "required"),
                        line(form, at + "example")));
            }
        });
        List<Header> headers = new ArrayList<>();
        rows(form, "header", i -> {
            String at = "header." + i + ".";
            if (filled(form, at, "name", "value")) {
                headers.add(new Header(line(form, at + "name"), line(form, at + "value")));
            }
        });
        List<Output> outputs = new ArrayList<>();
        rows(form, "output", i -> {
            String at = "output." + i + ".";
            if (filled(form, at, "key", "pointer")) {
                outputs.add(new Output(
                        key(line(form, at + "key")),
                        kind(form, at),
                        line(form, at + "pointer"),
                        line(form, at + "example")));
            }
        });
        Request request = new Request(
                METHODS.contains(form.getOrDefault("method", "")) ? form.getOrDefault("method", "") : "GET",
                line(form, "path").replace(" ", ""),
                headers,
                form(form.getOrDefault("form", "")),
                form.getOrDefault("body", "").replace("\r\n", "\n"));
        return new Service(
                line(form, "name"),
                line(form, "purpose"),
                inputs,
                request,
                outputs,
                results(form),
                new Care(number(form, "seconds"), number(form, "tries"), form.containsKey("repeatable")));
    }

    private static List<Result> results(Map<String, String> form) {
        List<Result> results = new ArrayList<>();
        Set<String> keys = new HashSet<>();
        rows(form, "result", i -> keys.add(form.getOrDefault("result." + i + ".key", "")));
        rows(form, "result", i -> {
            String at = "result." + i + ".";
            if (filled(form, at, "name", "status", "pointer")) {
                String name = line(form, at + "name");
                String key = form.getOrDefault(at + "key", "");
                if (key.isEmpty()) {
                    String plain = key(name);
                    key = plain.isEmpty() ? "result" : plain;
                    for (int n = 2; !keys.add(key); n++) {
                        key = plain + "_" + n;
                    }
                }
                results.add(new Result(
                        key, name, line(form, at + "status"), line(form, at + "pointer"), line(form, at + "value")));
            }
        });
        return results;
    }

    private static void rows(Map<String, String> form, String list, IntConsumer each) {
        Set<Integer> numbers = new TreeSet<>();
        for (String field : form.keySet()) {
            if (field.startsWith(list + ".")) {
                String number = field.substring(list.length() + 1).replaceFirst("\\..*", "");
                if (number.matches("\\d{1,3}")) {
                    numbers.add(Integer.valueOf(number));
                }
            }
        }
        numbers.stream().limit(MOST_ROWS).forEach(each::accept);
    }

    private static boolean filled(Map<String, String> form, String at, String... parts) {
        for (String part : parts) {
            if (!form.getOrDefault(at + part, "").isBlank()) {
                return true;
            }
        }
        return false;
    }

    static String line(Map<String, String> form, String field) {
        String line = Words.clean(form.getOrDefault(field, "")).strip().replaceAll("\\s+", " ");
        return line.length() <= LONGEST ? line : line.substring(0, LONGEST);
    }

    /** A name as placeholders have it: "First name" is {@code first_name}. */
    static String key(String written) {
        return written.strip()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "_")
                .replaceAll("^[_0-9]+|_+$", "");
    }

    private static Kind kind(Map<String, String> form, String at) {
        String key = form.getOrDefault(at + "kind", "");
        for (Kind kind : Kind.values()) {
            if (kind.key().equals(key)) {
                return kind;
            }
        }
        return Kind.TEXT;
    }

    private static BodyForm form(String key) {
        for (BodyForm form : BodyForm.values()) {
            if (form.key().equals(key)) {
                return form;
            }
        }
        return BodyForm.NONE;
    }

    private static int number(Map<String, String> form, String field) {
        String written = form.getOrDefault(field, "").strip();
        return written.matches("\\d{1,4}") ? Integer.parseInt(written) : 0;
    }
}
