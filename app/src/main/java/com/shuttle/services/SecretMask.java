package com.shuttle.services;

import com.shuttle.web.Json;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.springframework.web.util.HtmlUtils;

/**
 * Hides secrets in what others wrote, however they are written there: as they are, percent-encoded (RFC 3986, and as forms
 * do), escaped for JSON or HTML, in hex, in Base64 of either alphabet (RFC 4648), and one of these within another.
 *
 * <p>In Base64 a text looks one of three ways, by how many bytes before it begin its group of three: of each of them the
 * digits are sought that depend on the text alone, so that {@code user:secret} is found by its secret. Thread-safe.
 */
final class SecretMask {

    static final String MASK = "•••••";

    /** A form of a secret that is shorter would hide half of every text, and gives too little away. */
    private static final int LEAST = 4;

    private final Pattern forms;

    private SecretMask(Set<String> forms) {
        // What begins with another comes before it. Percent escapes and hex are written in letters of either size.
        this.forms = Pattern.compile(forms.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .map(form -> "(?i:" + Pattern.quote(form) + ")")
                .collect(Collectors.joining("|")));
    }

    /** @param secrets empty ones are left out */
    static SecretMask of(List<String> secrets) {
        Set<String> forms = new LinkedHashSet<>();
        secrets.stream().filter(secret -> !secret.isEmpty()).forEach(secret -> {
            forms.add(secret);
            for (String form : written(secret)) {
                forms.add(form);
                forms.addAll(written(form));
            }
        });
        return new SecretMask(forms);
    }

    /** The text with a mask in the place of each secret. */
    String over(String text) {
        return forms.pattern().isEmpty() ? text : forms.matcher(text).replaceAll(MASK);
    }

    private static Set<String> written(String text) {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        String percent = URLEncoder.encode(text, StandardCharsets.UTF_8);
        String json = Json.write(text);
        Set<String> forms = new LinkedHashSet<>(List.of(
                percent,
                percent.replace("+", "%20"),
                json.substring(1, json.length() - 1),
                json.substring(1, json.length() - 1).replace("/", "\\/"),
                HtmlUtils.htmlEscape(text),
                HtmlUtils.htmlEscapeDecimal(text),
                HtmlUtils.htmlEscapeHex(text),
                HexFormat.of().formatHex(bytes)));
        for (int before = 0; before < 3; before++) {
            String inner = within(bytes, before);
            forms.add(inner);
            forms.add(inner.replace('+', '-').replace('/', '_'));
        }
        forms.removeIf(form -> form.length() < LEAST);
        return forms;
    }

    /** The Base64 digits that depend on these bytes alone where so many others come before them. */
    private static String within(byte[] bytes, int before) {
        byte[] shifted = new byte[before + bytes.length];
        System.arraycopy(bytes, 0, shifted, before, bytes.length);
        String digits = Base64.getEncoder().withoutPadding().encodeToString(shifted);
        int from = (before * 8 + 5) / 6;
        int to = shifted.length * 8 / 6;
        return from < to ? digits.substring(from, to) : "";
    }
}
