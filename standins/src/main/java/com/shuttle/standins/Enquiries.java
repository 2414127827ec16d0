package com.shuttle.standins;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;

/**
 * Made-up visitors who ask about an evening under the dome or want to be rung back, drawn from a seed: the same seed, the same
 * visitors.
 */
public final class Enquiries {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private static final List<String> FIRST = List.of(
            "Alba", "Bram", "Cleo", "Dorian", "Elspeth", "Fergus", "Greta", "Hollis", "Imogen", "Jorin", "Kester",
            "Linnea", "Marlow", "Nessa", "Orson", "Perrin", "Quilla", "Rowena", "Sorrel", "Tamsin", "Ulric", "Verity",
            "Wilf", "Yara");
    private static final List<String> LAST = List.of(
            "Ashdown",
            "Birchall",
            "Coombes",
            "Dunmore",
            "Eastlake",
            "Fairburn",
            "Greenhill",
            "Hartwell",
            "Inglewood",
            "Kettering",
            "Langdale",
            "Moorcroft",
            "Northcote",
            "Oakshott",
            "Pemberly",
            "Redfern",
            "Silverdale",
            "Thornbury",
            "Underwood",
            "Whitcombe");
    private static final List<String> OCCASIONS = List.of(
            "our works party",
            "a wedding",
            "my mother's birthday",
            "an awards evening for the firm",
            "a wedding party");
    private static final List<String> TOPICS = List.of(
            "a telescope night for my dad",
            "membership for the four of us",
            "giving a talk at the club",
            "an evening for our choir",
            "a lost scarf");

    private final Random chance;
    private int many;

    public Enquiries(long seed) {
        this.chance = new Random(seed);
    }

    /**
     * The next one.
     *
     * @param day on which they ask
     */
    public Visitor next(LocalDate day) {
        String first = one(FIRST);
        String last = one(LAST);
        many++;
        String email = (first + "." + last + (many > 60 ? String.valueOf(many) : "") + "@example.org")
                .toLowerCase(Locale.ROOT);
        return chance.nextInt(4) == 0 ? callback(first + " " + last, email) : evening(first + " " + last, email, day);
    }

    private Visitor callback(String name, String email) {
        List<String> turns = new ArrayList<>(List.of("please have someone call me", name, email));
        if (chance.nextBoolean()) {
            turns.add("yes, call me");
            turns.add("01632 960" + (100 + chance.nextInt(900)));
        } else {
            turns.add("an email is enough");
        }
        turns.add(one(TOPICS));
        return new Visitor("vesper", "https://tarnfell.example/", turns);
    }

    private Visitor evening(String name, String email, LocalDate day) {
        LocalDate wanted = day.plusDays(20L + chance.nextInt(160));
        while (wanted.getDayOfWeek().getValue() == 1) {
            wanted = wanted.plusDays(1);
        }
        int guests = 10 + 2 * chance.nextInt(60);
        List<String> turns = new ArrayList<>(List.of(one(OCCASIONS), String.valueOf(guests)));
        turns.add(chance.nextInt(4) == 0 ? "skip" : DAY.format(wanted));
        turns.add(
                chance.nextInt(3) == 0
                        ? "rather not say"
                        : String.valueOf(guests * (10 + chance.nextInt(70)) / 100 * 100 + 100));
        turns.add(chance.nextInt(3) == 0 ? "none" : chance.nextBoolean() ? "catering" : "catering and the telescopes");
        turns.addAll(List.of(name, email, "yes"));
        turns.add(chance.nextInt(4) == 0 ? "no thanks" : "yes, that is fine");
        if (chance.nextBoolean()) {
            turns.add("the first one");
        }
        String page = chance.nextInt(3) == 0 ? "https://tarnfell.example/" : "https://tarnfell.example/hire";
        return new Visitor("dome-hire", page, turns);
    }

    private <T> T one(List<T> all) {
        return all.get(chance.nextInt(all.size()));
    }
}
