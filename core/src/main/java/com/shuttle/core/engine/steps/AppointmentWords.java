package com.shuttle.core.engine.steps;

import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** What the bot says about free times where the designer has not written anything. English. */
final class AppointmentWords {

    static final String OTHER_TIMES = "Other times";
    static final String NO_TIME = "None suits me";
    static final String THESE_TIMES = "These are free:";
    static final String ONE_TIME = "This one is free. Shall I book it?";
    static final String NOTHING_THEN = "Nothing is free then, I'm afraid. These come nearest:";
    static final String OTHER_DAYS = "Not on that day, I'm afraid. At that time these are free:";
    static final String NO_LATER = "There is nothing later, I'm afraid. These are free:";
    static final String NO_EARLIER = "There is nothing earlier, I'm afraid. These are free:";
    static final String TAKEN_MEANWHILE = "Somebody has just taken that time, I'm sorry. These come next:";

    static final String ASK_TO_WAIT =
            "Nothing is free just now, I'm afraid. Shall I put you on the list? You get a mail when a time falls free.";
    static final String WAIT = "Yes, tell me";
    static final String LEAVE_OUT = "No, thank you";
    static final String WAITS =
            "You are on the list. What falls free is held for you for some hours, and I write to you.";
    static final String MOVE = "Another time";
    static final String CALL_OFF = "Cancel it";
    static final String LEAVE = "Leave it as it is";
    static final String CALLED_OFF = "It is cancelled.";
    static final String NOTHING_ELSE = "Nothing else is free just now, so it stays as it is.";

    static final String STAYS = "All right, it stays as it is.";
    static final String WHICH_BOOKING = "Which of these is it about?";
    static final String WHICH_REFERENCE =
            "Which booking is it? Tell me its reference, which stands in the confirmation, and the email address it was made with.";
    static final String WHICH_ADDRESS = "And which email address was it made with?";
    static final String NO_SUCH_BOOKING =
            "I find no booking to come with that reference and address. Please look at them again, or say “person”.";
    static final String INSTEAD = "When would suit you instead? These are free:";

    static final String WITH_WHOM = "Whom would you like it with?";
    static final String ANYBODY = "Whoever is free first";
    static final String ANOTHER_TIME = "Another time";
    static final String ASK_NAME = "What name shall I put it under?";
    static final String ASK_EMAIL = "Which email address does the confirmation go to?";

    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("EEE d MMMM, HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT);

    private AppointmentWords() {}

    /** "Thu 12 March, 14:00". */
    static String moment(ZonedDateTime at) {
        return MOMENT.format(at);
    }

    static String booked(String when, String reference) {
        return "Booked: **" + when + "**. Your reference is **" + reference + "**.";
    }

    /** @param until on the visitor's clock */
    static String held(String when, LocalTime until) {
        return "I am holding **" + when + "** for you until " + CLOCK.format(until) + ".";
    }

    static String tooLate(String when) {
        return "I could not hold **" + when + "** any longer, and somebody has taken it. These come next:";
    }

    static String withWhom(String who) {
        return "With " + who + " these are free:";
    }

    static String notWith(String who) {
        return "With " + who + " nothing is free just now, I'm afraid. These are free with others:";
    }

    static String found(String kind, String when) {
        return kind + ", **" + when + "**. What shall I do?";
    }

    /** @param kind of appointment @param reference may be empty */
    static String recalled(String kind, String when, String reference) {
        return kind + ": **" + when + "**." + (reference.isEmpty() ? "" : " The reference is **" + reference + "**.");
    }

    static String reallyCancel(String kind, String when) {
        return "Shall I cancel " + kind + ", **" + when + "**?";
    }

    static String moved(String when) {
        return "It is now: **" + when + "**.";
    }
}
