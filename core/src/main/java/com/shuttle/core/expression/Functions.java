package com.shuttle.core.expression;

import com.shuttle.core.reading.Value;
import dev.cel.bundle.CelBuilder;
import dev.cel.checker.CelStandardDeclarations;
import dev.cel.common.CelFunctionDecl;
import dev.cel.common.CelOverloadDecl;
import dev.cel.common.types.ListType;
import dev.cel.common.types.SimpleType;
import dev.cel.extensions.CelExtensions;
import dev.cel.extensions.CelStringExtensions;
import dev.cel.extensions.CelStringExtensions.Function;
import dev.cel.runtime.CelEvaluationException;
import dev.cel.runtime.CelFunctionBinding;
import dev.cel.runtime.CelStandardFunctions;
import dev.cel.runtime.standard.AddOperator.AddOverload;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The functions of expressions: CEL's own, those of Shuttle, and in place of those of CEL's own that make longer texts or
 * lists of shorter ones (adding, replacing, joining) the same with a bound. Without it {@code [x].map(y, y + y)}, nested some
 * thirty times, would fill the memory of the machine. Pure functions.
 */
final class Functions {

    /** Of a text on the way to a result, in UTF-16 units. */
    static final int LONGEST_TEXT = 100_000;

    /** Of a list on the way to a result. */
    static final int LONGEST_LIST = 10_000;

    private static final Set<AddOverload> GROWING =
            EnumSet.of(AddOverload.ADD_STRING, AddOverload.ADD_LIST, AddOverload.ADD_BYTES);

    private static final ListType TEXTS = ListType.create(SimpleType.STRING);

    private Functions() {}

    static void addTo(CelBuilder builder) {
        CelStringExtensions strings =
                CelExtensions.strings(EnumSet.complementOf(EnumSet.of(Function.REPLACE, Function.JOIN)));
        builder.setStandardEnvironmentEnabled(false)
                .setStandardDeclarations(CelStandardDeclarations.newBuilder()
                        .filterFunctions((function, overload) -> true)
                        .build())
                .setStandardFunctions(CelStandardFunctions.newBuilder()
                        .filterFunctions(
                                (function, overload) -> !(overload instanceof AddOverload add && GROWING.contains(add)))
                        .build())
                .addCompilerLibraries(strings)
                .addRuntimeLibraries(strings);
        bounded(builder);
        own(builder);
    }

    private static void bounded(CelBuilder builder) {
        builder.addFunctionDeclarations(
                CelFunctionDecl.newFunctionDeclaration(
                        "replace",
                        CelOverloadDecl.newMemberOverload(
                                "text_replace",
                                SimpleType.STRING,
                                SimpleType.STRING,
                                SimpleType.STRING,
                                SimpleType.STRING)),
                CelFunctionDecl.newFunctionDeclaration(
                        "join",
                        CelOverloadDecl.newMemberOverload("list_join_plain", SimpleType.STRING, TEXTS),
                        CelOverloadDecl.newMemberOverload(
                                "list_join_with", SimpleType.STRING, TEXTS, SimpleType.STRING)));
        builder.addFunctionBindings(
                CelFunctionBinding.from("add_string", String.class, String.class, Functions::added),
                CelFunctionBinding.from("add_list", List.class, List.class, Functions::added),
                CelFunctionBinding.from(
                        "text_replace",
                        List.of(String.class, String.class, String.class),
                        of -> replaced((String) of[0], (String) of[1], (String) of[2])),
                CelFunctionBinding.from("list_join_plain", List.class, list -> joined(list, "")),
                CelFunctionBinding.from("list_join_with", List.class, String.class, Functions::joined));
    }

    private static void own(CelBuilder builder) {
        builder.addFunctionDeclarations(
                CelFunctionDecl.newFunctionDeclaration(
                        "date",
                        CelOverloadDecl.newGlobalOverload("date_text", SimpleType.TIMESTAMP, SimpleType.STRING)),
                CelFunctionDecl.newFunctionDeclaration(
                        "days",
                        CelOverloadDecl.newGlobalOverload("days_number", SimpleType.DURATION, SimpleType.DOUBLE)),
                CelFunctionDecl.newFunctionDeclaration(
                        "dayname",
                        CelOverloadDecl.newGlobalOverload("dayname_date", SimpleType.STRING, SimpleType.TIMESTAMP)),
                CelFunctionDecl.newFunctionDeclaration(
                        "round",
                        CelOverloadDecl.newGlobalOverload("round_number", SimpleType.DOUBLE, SimpleType.DOUBLE)),
                CelFunctionDecl.newFunctionDeclaration(
                        "text", CelOverloadDecl.newGlobalOverload("text_any", SimpleType.STRING, SimpleType.DYN)));
        builder.addFunctionBindings(
                CelFunctionBinding.from("date_text", String.class, Functions::date),
                CelFunctionBinding.from(
                        "days_number", Double.class, days -> Duration.ofSeconds(Math.round(days * 86_400))),
                CelFunctionBinding.from("dayname_date", Instant.class, Functions::dayname),
                CelFunctionBinding.from("round_number", Double.class, number -> (double) Math.round(number)),
                CelFunctionBinding.from("text_any", Object.class, Functions::shown));
    }

    private static CelEvaluationException tooLong() {
        return new CelEvaluationException(
                "it grows beyond %,d characters or %,d items on the way".formatted(LONGEST_TEXT, LONGEST_LIST));
    }

    private static String added(String first, String second) throws CelEvaluationException {
        if (first.length() + second.length() > LONGEST_TEXT) {
            throw tooLong();
        }
        return first + second;
    }

    private static List<Object> added(List<?> first, List<?> second) throws CelEvaluationException {
        if (first.size() + second.size() > LONGEST_LIST) {
            throw tooLong();
        }
        List<Object> both = new ArrayList<>(first);
        both.addAll(second);
        return both;
    }

    private static String replaced(String text, String wanted, String by) throws CelEvaluationException {
        // Where nothing is wanted it stands between all characters.
        long most = wanted.isEmpty() ? text.length() + 1L : text.length() / wanted.length();
        if (text.length() + most * by.length() > LONGEST_TEXT) {
            throw tooLong();
        }
        return text.replace(wanted, by);
    }

    private static String joined(List<?> texts, String with) throws CelEvaluationException {
        long length = texts.stream()
                .mapToLong(text -> text instanceof String some ? some.length() + with.length() : LONGEST_TEXT + 1L)
                .sum();
        if (length > LONGEST_TEXT) {
            throw tooLong();
        }
        return texts.stream().map(String::valueOf).collect(Collectors.joining(with));
    }

    private static Instant date(String text) throws CelEvaluationException {
        try {
            return LocalDate.parse(text).atStartOfDay().toInstant(ZoneOffset.UTC);
        } catch (DateTimeException e) {
            throw new CelEvaluationException("\"" + text + "\" is no date like 2026-05-01");
        }
    }

    private static String dayname(Instant date) {
        return date.atZone(ZoneOffset.UTC).getDayOfWeek().name().toLowerCase(Locale.ROOT);
    }

    private static String shown(Object any) throws CelEvaluationException {
        Value value = Results.value(any);
        if (value == null) {
            throw new CelEvaluationException("there is no text for this");
        }
        return value.shown();
    }
}
