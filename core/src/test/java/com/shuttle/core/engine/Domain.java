package com.shuttle.core.engine;

import java.util.List;
import java.util.Random;

/**
 * What simulated visitors come to one bot for.
 *
 * @param fields  what it asks for, in its order
 * @param asides  questions that its knowledge answers, each with a part of the answer
 */
record Domain(String name, Visitors bot, List<Field> fields, List<Aside> asides) {

    /** What kind of value is asked for; its name in small letters is that of the lists of wordings. */
    enum Kind {
        CHOICE,
        PEOPLE,
        COUNT,
        DAY,
        TIME,
        MONEY,
        NAME,
        EMAIL,
        PHONE,
        YES_NO,
        MANY;

        /** Whether people tell it before they are asked. */
        boolean toldAhead() {
            return this == PEOPLE
                    || this == DAY
                    || this == TIME
                    || this == MONEY
                    || this == NAME
                    || this == EMAIL
                    || this == PHONE;
        }

        Spoken any(Field field, Random random) {
            return switch (this) {
                case CHOICE, MANY ->
                    field.options().get(random.nextInt(field.options().size()));
                case PEOPLE, COUNT -> Spoken.number(9, random);
                case DAY -> Spoken.day(random);
                case TIME -> Spoken.time(random);
                case MONEY -> Spoken.money(random);
                case NAME -> Spoken.name(random);
                case EMAIL -> Spoken.email(random);
                case PHONE -> Spoken.phone(random);
                case YES_NO -> Spoken.yesNo(random.nextBoolean());
            };
        }
    }

    /** @param options for choices */
    record Field(String step, Kind kind, List<Spoken> options) {}

    record Aside(String question, String reply) {}

    private static Field field(String step, Kind kind, Spoken... options) {
        return new Field(step, kind, List.of(options));
    }

    static final List<Domain> ALL = List.of(
            new Domain(
                    "pottery",
                    ClayBarn.VISITORS,
                    List.of(
                            field(
                                    "class",
                                    Kind.CHOICE,
                                    Spoken.option("Wheel", "the wheel", "wheel throwing"),
                                    Spoken.option("Hand building", "handbuilding", "the hand building"),
                                    Spoken.option("Glazing day", "the glazing", "glazing")),
                            field("people", Kind.PEOPLE),
                            field("day", Kind.DAY),
                            field("time", Kind.TIME),
                            field(
                                    "extras",
                                    Kind.MANY,
                                    Spoken.option("Apron", "an apron", "aprons"),
                                    Spoken.option("Lunch", "food", "a meal"),
                                    Spoken.option("Extra clay", "more clay", "the extra clay")),
                            field("budget", Kind.MONEY),
                            field("name", Kind.NAME),
                            field("email", Kind.EMAIL)),
                    List.of(
                            new Aside("where can we park?", "Behind the barn"),
                            new Aside("what does it cost?", "25 pounds"),
                            new Aside("is there a minimum age?", "five years"))),
            new Domain(
                    "bicycles",
                    BikeShed.VISITORS,
                    List.of(
                            field("service", Kind.CHOICE, Spoken.option("Hire", "rent", "hiring")),
                            field("bikes", Kind.COUNT),
                            field("day", Kind.DAY),
                            field("days", Kind.COUNT),
                            field("helmets", Kind.YES_NO),
                            field("name", Kind.NAME),
                            field(
                                    "contact",
                                    Kind.CHOICE,
                                    Spoken.option("Phone", "a call", "by phone"),
                                    Spoken.option("Phone", "call me", "the phone")),
                            field("phone", Kind.PHONE)),
                    List.of(
                            new Aside("do you have child seats?", "Child seats"),
                            new Aside("what if it rains?", "another day"))),
            new Domain(
                    "marquees",
                    Marquees.VISITORS,
                    List.of(
                            field(
                                    "occasion",
                                    Kind.CHOICE,
                                    Spoken.option("Wedding", "a wedding", "our wedding"),
                                    Spoken.option("Birthday", "a birthday", "my birthday party"),
                                    Spoken.option("Company party", "a company do", "an office party"),
                                    Spoken.option("Village fair", "the village fair", "a fair")),
                            field("budget", Kind.MONEY),
                            field("people", Kind.PEOPLE),
                            field("day", Kind.DAY),
                            field("heating", Kind.YES_NO),
                            field("name", Kind.NAME),
                            field("phone", Kind.PHONE)),
                    List.of(
                            new Aside("do you deliver?", "We bring it"),
                            new Aside("is there a floor?", "wooden floor"))));
}
