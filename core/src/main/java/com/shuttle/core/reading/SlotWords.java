package com.shuttle.core.reading;

import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * The words around a value that tell which slot it is for.
 *
 * @param own          the words of a slot's name and label, lower case
 * @param cues         all words that point to it
 * @param countsPeople whether it asks how many people there are
 * @param part         whether it counts only some of them
 * @param past         whether it asks for a day that has been
 */
record SlotWords(Set<String> own, Set<String> cues, boolean countsPeople, boolean part, boolean past) {

    private static final Pattern NO_LETTERS = Pattern.compile("[^\\p{L}]+");

    private static final Map<String, String> SYNONYMS = Map.ofEntries(
            Map.entry(
                    "adults",
                    "adult adults grown-ups grownups grown grown-up parent parents teacher teachers helper helpers"),
            Map.entry("children", "child children kid kids toddler toddlers infant infants little youngsters"),
            Map.entry("kids", "child children kid kids"),
            Map.entry("pupils", "pupil pupils student students child children kids class"),
            Map.entry("students", "pupil pupils student students"),
            Map.entry("teachers", "teacher teachers staff adults adult helpers"),
            Map.entry("staff", "staff employees people"),
            Map.entry("headcount", "staff people employees persons heads person us"),
            Map.entry("bedrooms", "bed beds bedroom bedrooms bedroomed"),
            Map.entry("rooms", "room rooms"),
            Map.entry("vehicles", "car cars vehicle vehicles van vans lorry lorries truck trucks"),
            Map.entry("cars", "car cars vehicle vehicles"),
            Map.entry("pages", "page pages"),
            Map.entry("parcels", "parcel parcels package packages box boxes"),
            Map.entry("packages", "parcel parcels package packages box boxes"),
            Map.entry("seats", "seat seats ticket tickets place places passenger passengers"),
            Map.entry("tickets", "ticket tickets seat seats"),
            Map.entry("years", "year years yrs yr"),
            Map.entry("experience", "experience year years"),
            Map.entry("metres", "metre metres meter meters m high tall"),
            Map.entry("minutes", "minute minutes min mins hour hours hr hrs"),
            Map.entry("duration", "minute minutes min mins hour hours long"),
            Map.entry("hours", "hour hours hrs"),
            Map.entry("nights", "night nights"),
            Map.entry("days", "day days"),
            Map.entry("dogs", "dog dogs puppy"),
            Map.entry("pets", "pet pets dog dogs cat cats"),
            Map.entry("age", "age aged old years"),
            Map.entry("in", "arrive arriving arrival arrives come coming from checking checkin"),
            Map.entry("arrival", "arrive arriving arrival arrives come coming from"),
            Map.entry("out", "leave leaving leaves departure depart departing home until till to checkout"),
            Map.entry("departure", "leave leaving leaves departure depart departing home until till to"),
            Map.entry("start", "start starts starting begin begins beginning from launch kick doors open"),
            Map.entry("starts", "start starts starting begin begins from at"),
            Map.entry("from", "from start starting"),
            Map.entry("end", "end ends ending finish finishing until till to close over"),
            Map.entry("birth", "born dob birth birthday birthdate"),
            Map.entry("dob", "born dob birth birthday birthdate"),
            Map.entry("appointment", "appointment come see book at visit"),
            Map.entry("return", "return returning back"),
            Map.entry("travel", "travel travelling going leave out"),
            Map.entry("pickup", "pickup pick collect collection"),
            Map.entry("delivery", "deliver delivery delivered"),
            Map.entry("deliver", "deliver delivery delivered bring drop"),
            Map.entry("old", "old from was currently previous current"),
            Map.entry("new", "new to now instead"),
            Map.entry("home", "home landline house"),
            Map.entry("landline", "home landline house"),
            Map.entry("mobile", "mobile cell cellphone mob text"),
            Map.entry("work", "work office daytime"),
            Map.entry("budget", "budget spend stretch afford pay"),
            Map.entry("deposit", "deposit down upfront"),
            Map.entry("salary", "salary pay earn wage looking"),
            Map.entry("newsletter", "newsletter newsletters mailing updates subscribe spam"),
            Map.entry("neighbour", "neighbour neighbours neighbor neighbors door"),
            Map.entry("police", "police cops officer"),
            Map.entry("lunch", "lunch lunches meal meals food packed sandwiches"),
            Map.entry("shop", "shop store sell selling ecommerce e-commerce checkout basket"),
            Map.entry("monthly", "monthly month regular"),
            Map.entry("anonymous", "anonymous anonymously name"),
            Map.entry("contact", "contact contacted touch"),
            Map.entry("assistance", "assistance assisted wheelchair help ramp mobility"),
            Map.entry("parking", "parking park"),
            Map.entry("confirmed", "confirm confirmed confirming go-ahead"),
            Map.entry("first", "first new before"),
            Map.entry("gift", "gift present"),
            Map.entry("gift_aid", "gift aid taxpayer"),
            Map.entry("member", "member membership"),
            Map.entry("insurance", "insurance insured insure"),
            Map.entry("catering", "catering food lunch dinner buffet"));
    private static final Set<String> PEOPLE_SLOTS = Set.of(
            "party",
            "guests",
            "guest",
            "headcount",
            "head",
            "people",
            "attendees",
            "persons",
            "group",
            "visitors",
            "participants",
            "covers",
            "diners",
            "pax",
            "size",
            "delegates",
            "members",
            "passengers",
            "pupils",
            "seats",
            "adults",
            "heads",
            "employees",
            "staff",
            "players",
            "tickets");
    private static final Set<String> EMPTY = Set.of(
            "number",
            "count",
            "date",
            "time",
            "day",
            "phone",
            "email",
            "at",
            "on",
            "of",
            "the",
            "a",
            "is",
            "has",
            "wants",
            "want",
            "needs",
            "need",
            "needed",
            "required",
            "may",
            "no",
            "name",
            "amount",
            "kind",
            "type",
            "how",
            "many",
            "what",
            "you",
            "your",
            "with",
            "for",
            "it",
            "leave",
            "stay",
            "visit",
            "called",
            "full",
            "when",
            "which");
    /** Words that point somewhere in a name ("check_in"), but say nothing in a label ("lunch in the library"). */
    private static final Set<String> SMALL = Set.of(
            "in",
            "out",
            "from",
            "to",
            "and",
            "or",
            "new",
            "any",
            "anything",
            "we",
            "should",
            "be",
            "my",
            "their",
            "our",
            "this",
            "that",
            "some",
            "by",
            "as");

    private static final Set<String> PAST = Set.of(
            "birth",
            "dob",
            "birthday",
            "incident",
            "bought",
            "purchased",
            "purchase",
            "happened",
            "ordered",
            "accident",
            "last",
            "born",
            "occurred",
            "since");

    /** Finds the words that point to what is called so. */
    static SlotWords of(String name, String label) {
        Set<String> named = words(name);
        Set<String> own = words(name + " " + label);
        Set<String> cues = new HashSet<>();
        for (String word : own) {
            boolean small = SMALL.contains(word) && !named.contains(word);
            if (!EMPTY.contains(word) && !small) {
                cues.add(word);
                cues.add(WordForms.stem(word));
                cues.addAll(List.of(SYNONYMS.getOrDefault(word, word).split(" ")));
            }
        }
        boolean people = own.stream().anyMatch(PEOPLE_SLOTS::contains);
        boolean past = own.stream().anyMatch(PAST::contains);
        boolean part = HeadCounts.isPart(name.replace('_', ' ') + " " + label);
        return new SlotWords(Set.copyOf(own), Set.copyOf(cues), people, part, past);
    }

    private static Set<String> words(String text) {
        Set<String> words = new HashSet<>();
        for (String word : NO_LETTERS.split(text.toLowerCase(Locale.ROOT))) {
            if (!word.isEmpty()) {
                words.add(word);
            }
        }
        return words;
    }
}
