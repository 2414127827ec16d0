package com.shuttle.core.engine;

import com.shuttle.core.engine.Domain.Aside;
import com.shuttle.core.engine.Domain.Field;
import com.shuttle.core.engine.Domain.Kind;
import com.shuttle.core.engine.Wordings.Half;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;

/**
 * A visitor who knows what they want and says it in one of several manners. What they say is made of wordings of one half
 * only, by a seed.
 */
final class SimulatedVisitor {

    /** How a visitor talks. */
    enum Manner {
        /** Answers what is asked. */
        PLAIN,
        /** Is polite about it. */
        POLITE,
        /** Tells a lot at once. */
        RICH,
        /** Tells the next thing with the one that is asked for. */
        AHEAD,
        /** Changes something said before. */
        CORRECTS,
        /** Asks something in between. */
        ASKS,
        /** Says what it shall not be. */
        NEGATES
    }

    private final Domain domain;
    private final Wordings wordings;
    private final Half half;
    private final Random random;
    private final Map<String, Spoken> meant = new LinkedHashMap<>();
    private final Map<String, List<String>> said = new LinkedHashMap<>();
    private final Map<String, String> noted = new LinkedHashMap<>();
    private final Set<String> given = new HashSet<>();

    SimulatedVisitor(Domain domain, Wordings wordings, Half half, long seed) {
        this.domain = domain;
        this.wordings = wordings;
        this.half = half;
        this.random = new Random(seed);
        domain.fields().forEach(field -> meant.put(field.step(), field.kind().any(field, random)));
        domain.fields().forEach(field -> {
            said.put(field.step(), new ArrayList<>(List.of(answer(field))));
            noted.put(field.step(), meant.get(field.step()).noted());
        });
    }

    /** What the visitor says at each question, and what is to be noted of it. */
    Visitors.Script script(Manner manner) {
        switch (manner) {
            case PLAIN -> {}
            case POLITE ->
                said.replaceAll((step, words) -> new ArrayList<>(List.of(around("polite", words.getFirst(), "", ""))));
            case RICH -> tellMuch();
            case AHEAD -> tellAhead();
            case CORRECTS -> correct();
            case ASKS -> ask();
            case NEGATES -> negate();
        }
        String all =
                String.join(" / ", said.values().stream().flatMap(List::stream).toList());
        return new Visitors.Script(manner.name().toLowerCase(Locale.ROOT), all, said, noted, given);
    }

    private String wording(String list) {
        return wordings.any(list, half, random);
    }

    private String around(String list, String a, String b, String q) {
        return wording(list).replace("{a}", a).replace("{b}", b).replace("{q}", q);
    }

    private String say(String list, Field field, Spoken value) {
        return wording(list + " " + field.kind().name().toLowerCase(Locale.ROOT))
                .replace("{v}", value.any(random));
    }

    private String answer(Field field) {
        Spoken value = meant.get(field.step());
        return field.kind() == Kind.YES_NO ? wording("answer " + value.noted()) : say("answer", field, value);
    }

    private String fact(Field field) {
        given.add(field.step());
        return say("fact", field, meant.get(field.step()));
    }

    private void tellMuch() {
        List<Field> ahead = new ArrayList<>(domain.fields().stream()
                .skip(1)
                .filter(field -> field.kind().toldAhead())
                .toList());
        java.util.Collections.shuffle(ahead, random);
        Field first = domain.fields().getFirst();
        String words = say("fact", first, meant.get(first.step()));
        for (Field field : ahead.subList(0, 1 + random.nextInt(Math.min(3, ahead.size())))) {
            words = around("join", words, fact(field), "");
        }
        said.put(first.step(), new ArrayList<>(List.of(around("open", words, "", ""))));
    }

    private void tellAhead() {
        List<Field> fields = domain.fields();
        int at = random.nextInt(fields.size() - 1);
        List<Field> ahead = fields.subList(at + 1, fields.size()).stream()
                .filter(field -> field.kind().toldAhead())
                .filter(field -> field.kind() != fields.get(at).kind())
                .toList();
        Field also = ahead.isEmpty() ? fields.getLast() : ahead.get(random.nextInt(ahead.size()));
        if (also != fields.get(at)) {
            said.put(
                    fields.get(at).step(),
                    new ArrayList<>(List.of(around("join", answer(fields.get(at)), fact(also), ""))));
        }
    }

    private void correct() {
        List<Field> fields = domain.fields();
        List<Field> may = fields.subList(0, fields.size() - 1).stream()
                .filter(field -> wordings.has("correct " + field.kind().name().toLowerCase(Locale.ROOT)))
                .toList();
        Field field = may.get(random.nextInt(may.size()));
        Spoken right = meant.get(field.step());
        Spoken wrong = right;
        for (int i = 0; i < 20 && wrong.noted().equals(right.noted()); i++) {
            wrong = field.kind().any(field, random);
        }
        if (wrong.noted().equals(right.noted())) {
            return;
        }
        said.put(field.step(), new ArrayList<>(List.of(say("answer", field, wrong))));
        int at = fields.indexOf(field);
        Field later = fields.get(at + 1 + random.nextInt(fields.size() - at - 1));
        String words =
                say("correct", field, right).replace("{old}", wrong.said().getFirst());
        said.get(later.step()).addFirst(words);
    }

    private void ask() {
        Field field = domain.fields().get(random.nextInt(domain.fields().size()));
        Aside aside = domain.asides().get(random.nextInt(domain.asides().size()));
        String answer = said.get(field.step()).getFirst();
        said.put(
                field.step(),
                new ArrayList<>(
                        random.nextBoolean()
                                ? List.of(aside.question(), answer)
                                : List.of(around("beside", answer, "", aside.question()))));
        noted.put("reply", aside.reply());
    }

    private void negate() {
        List<Field> choices = domain.fields().stream()
                .filter(field -> field.kind() == Kind.CHOICE && field.options().size() > 1)
                .toList();
        Field field = choices.get(random.nextInt(choices.size()));
        Spoken right = meant.get(field.step());
        List<Spoken> others = field.options().stream()
                .filter(option -> !option.noted().equals(right.noted()))
                .toList();
        if (!others.isEmpty()) {
            String no = others.get(random.nextInt(others.size())).any(random);
            said.put(
                    field.step(),
                    new ArrayList<>(List.of(say("negate", field, right).replace("{no}", no))));
        }
    }
}
