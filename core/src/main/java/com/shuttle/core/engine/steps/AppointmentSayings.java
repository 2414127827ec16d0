package com.shuttle.core.engine.steps;

import com.shuttle.core.reading.Finder;
import java.util.List;
import java.util.stream.Stream;

/** What visitors say of the times that they are offered, in small letters and without marks. English. */
final class AppointmentSayings {

    static final Finder LATER = Finder.of(
            "\\b(?:later|other times?|others|another (?:time|day|one)|something else|anything else|more(?: times)?|different (?:time|day)|none of (?:these|them|those)|neither)\\b");
    static final Finder EARLIER = Finder.of("\\b(?:earlier|sooner)\\b");
    static final Finder WEEK_AFTER = Finder.of("\\b(?:week|one) after(?: that| this)?\\W*$|\\bfollowing week\\b");
    static final Finder LEAVES_IT = Finder.of(
            "\\b(?:never ?mind|forget (?:it|that)|leave it|no (?:appointment|booking)|don'?t (?:want|need) (?:an?|any|the|to)|not (?:now|today|interested|any ?more))\\b");
    private static final String TAKES =
            "^\\W*(?:(?:ok|okay|yes|yeah|yep|sure|great|perfect|fine|alright|then|so|hmm|um)\\W+)*+"
                    + "(?:(?:i'?ll|i'?d|let'?s|we'?ll|we'?d|can i|can we|could i) (?:take|have|like|go (?:with|for)|do|book) |take |book )?";
    static final Finder LAST_SHOWN =
            Finder.of(TAKES + "the (?:last|latest|later|latter)(?: (?:one|time|option))?(?: please)?\\W*$");
    static final Finder CALLS_OFF = Finder.of("\\b(?:cancel|call it off|calling it off|can'?t (?:come|make it))\\b");
    static final List<Finder> PLACES = Stream.of("first", "second", "third")
            .map(place -> Finder.of(TAKES + "(?:the )?" + place + "(?: (?:one|time|option))?(?: please| then)?\\W*$"))
            .toList();

    private AppointmentSayings() {}
}
