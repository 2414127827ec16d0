package com.shuttle.core.engine.turn;

import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Wanted;
import com.shuttle.core.reading.Regex;
import com.shuttle.core.reading.Slot;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** What the bot says where the designer has not written anything. English. */
public final class Phrasebook {

    public static final String APOLOGY =
            "Sorry, something on my side went round in circles. Let me get a person for you.";
    public static final String NONE_OF_THESE = "None of these";
    public static final String WHICH = "Which of these do you mean?";
    public static final String THIS_ONE = "Is this what you mean?";
    public static final String OFFER_PERSON = "I can't work this out on my own.";
    public static final String ENDED = "Thank you, and goodbye for now.";
    public static final String STILL_HERE = "No problem, I'm back. Ask me anything.";
    public static final String PASSED_ON =
            "I've added that: whoever comes will read it. While you wait you can ask me, or say “back” to go on with me.";
    public static final String WAYS_OUT =
            "That's all right. Say “stop” to leave it, “start again” for something else, or “person” to talk to"
                    + " somebody; or just go on.";
    public static final String NOT_GOT = "Sorry, I didn't get that.";
    public static final String LEFT_ASIDE =
            "I can't work that out, I'm afraid. Say “person”, and I'll get somebody for you.";
    public static final String IN_OTHER_WORDS = "Sorry, let me ask that again.";
    public static final String TELL_ME_WHAT = "Please tell me in a few words what it is.";
    public static final String ONLY_ENGLISH =
            "I'm sorry, I only understand English so far. If you can, say it in a few English words, or say “person” for somebody from the"
                    + " team.";
    public static final String AS_YOU_LIKE = "All right.";
    public static final String UNASKED =
            "I'm not sure what that belongs to. Ask me anything in a few words, and I'll do my best.";
    public static final String WHICH_DAY = "Which day would that be? A date such as 12 June is enough.";
    public static final String NOTED_BESIDES = "Thank you, I pass that on.";
    public static final String NEAREST = "Take whatever comes nearest; it can be changed later.";
    public static final String NONE_FITS =
            "If none of these fits, take what comes nearest, or say “person” and I'll get somebody for you.";
    public static final String LEFT_OPEN = "That's all right, we leave that open.";
    public static final String SORRY =
            "I'm sorry, this isn't going well. Say “person” at any time, and I'll get somebody for you.";
    public static final String ON_THEIR_WAY =
            "You are in the queue, and somebody will be with you as soon as they are free. Say “back” to go on with me.";
    public static final String NOTHING_BEFORE = "There is no earlier question to go back to.";
    public static final String WHY_ASK = "I ask so that the right person can help you properly.";
    public static final String NEEDED =
            "That's all right. I can't go on without it, though; you can also ask for a person at any time.";
    public static final String CLOSED = "This conversation was closed. Thank you for getting in touch.";
    public static final String GONE =
            "This chat has been taken away, so our conversation ends here. I'm sorry, and thank you for getting in touch.";
    public static final String RESTING = "Is there anything you would like to ask?";

    public static final String UNFIT = "That does not fit here, I'm afraid.";
    public static final String RIGHT = "Is that right?";
    public static final String READ_BACK = "Let me read that back:";
    public static final String WHAT_TO_CHANGE =
            "Of course. What should I change? You can say it like “the email is …” or “15, not 50”.";
    public static final String STILL_WAITING = "I'm still waiting here and will go on by myself.";
    public static final String ONE_MOMENT = "One moment …";
    public static final String TOO_LONG = "That took too long, I'm afraid.";
    public static final String RATE = "How was this conversation for you?";
    public static final String COMMENT = "Thank you. Would you like to add a word?";
    public static final String THANKS = "Thank you.";
    public static final String SEND_FILE = "Please send it as a file.";
    public static final String HELLO = "Hello!";
    public static final String WELCOME = "You're welcome.";
    public static final String GLAD = "Good.";
    public static final String SMILES = "Ha.";
    public static final String I_SEE = "I see.";
    public static final String A_PROGRAM =
            "I'm a program that answers here, and a person can take over when you ask for one.";
    public static final String NOTED_SO_FAR = "This is what I have so far:";
    public static final String NOTHING_NOTED = "I have noted nothing so far.";
    public static final String LEFT_OUT = "All right, I'll leave that out.";

    private Phrasebook() {}

    /** Something that was picked is not there any more. @param others whether there are others to pick */
    public static String gone(String names, boolean others) {
        return "I'm sorry, " + names + " has gone while we talked." + (others ? " These are still there:" : "");
    }

    /** A question beside something else that is not in the knowledge. */
    public static String unknown(String question) {
        String quoted = question.length() > 120 ? "what you ask there" : "“" + Texts.escaped(question) + "”";
        return "I have no answer to " + quoted + ", but I've noted it for the team.";
    }

    /** What was told without being asked for, said back. */
    public static String noted(List<String> kept) {
        return "Noted: " + String.join(", ", kept) + ".";
    }

    /** One thing that was kept, with what it is where the value does not say so. */
    public static String kept(Slot slot, String shown) {
        String called = slot.label().isBlank() ? slot.name().replace('_', ' ') : slot.label();
        return switch (slot.type()) {
            case NUMBER, RATING, SLIDER, YES_NO, MONEY, TIME -> called + " " + shown;
            default -> shown;
        };
    }

    /**
     * What was changed, said back.
     *
     * @param called what people call it, one for each; empty for what the values tell
     * @param shown  the new values
     */
    public static String changed(List<String> called, List<String> shown) {
        if (called.stream().noneMatch(String::isEmpty) && shown.stream().noneMatch(String::isBlank)) {
            List<String> changes = new ArrayList<>();
            for (int i = 0; i < shown.size(); i++) {
                changes.add(the(called.get(i)) + " to " + shown.get(i));
            }
            return "I've changed " + all(changes) + ".";
        }
        return shown.stream().allMatch(String::isBlank)
                ? "Thanks, I've taken that out."
                : "Thanks, I've changed that to " + all(shown) + ".";
    }

    /** "Monday, Tuesday or Friday". */
    public static String either(List<String> words) {
        return words.size() < 2
                ? String.join("", words)
                : String.join(", ", words.subList(0, words.size() - 1)) + " or " + words.getLast();
    }

    /** "your name, the email and the date". */
    public static String all(List<String> words) {
        return words.size() < 2
                ? String.join("", words)
                : String.join(", ", words.subList(0, words.size() - 1)) + " and " + words.getLast();
    }

    public static String capital(String word) {
        return word.isEmpty() ? word : Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }

    /** The question for a fact that has none of its own. */
    public static String question(Wanted wanted) {
        String called = wanted.called();
        String own = plain(called) ? OWN.get(wanted.type()) : null;
        if (own != null) {
            return own;
        }
        return switch (wanted.type()) {
            case DATE -> "Which day is " + the(called) + "?";
            case TIME -> "What time is " + the(called) + "?";
            case DATE_TIME -> "On which day and at what time is " + the(called) + "?";
            case YES_NO -> capital(called) + ": yes or no?";
            case CHOICE -> capital(called) + ": " + either(labels(wanted)) + "?";
            case MULTI_CHOICE -> capital(called) + ": which of " + all(labels(wanted)) + "?";
            case NUMBER ->
                called.startsWith("number of ")
                        ? "How many " + called.substring(10) + "?"
                        : "How much is " + the(called) + ", as a number?";
            default -> "What is " + the(called) + "?";
        };
    }

    /** What a visitor is asked of themselves, where a fact is called by nothing but its kind. */
    private static final Map<ValueType, String> OWN = Map.ofEntries(
            Map.entry(ValueType.PERSON_NAME, "What is your name?"),
            Map.entry(ValueType.EMAIL, "What is your email address?"),
            Map.entry(ValueType.PHONE, "What is your phone number?"),
            Map.entry(ValueType.COMPANY, "Which company or organisation is it for?"),
            Map.entry(ValueType.URL, "What is your web address?"),
            Map.entry(ValueType.PLACE, "Which place is it?"),
            Map.entry(ValueType.DATE, "Which day would it be?"),
            Map.entry(ValueType.TIME, "What time would it be?"),
            Map.entry(ValueType.DATE_TIME, "Which day and what time would it be?"),
            Map.entry(ValueType.MONEY, "What is your budget?"),
            Map.entry(ValueType.NUMBER, "How many would it be?"));

    private static final Set<String> KINDS = Set.of(
            "name",
            "your name",
            "full name",
            "email",
            "email address",
            "your email",
            "mail",
            "phone",
            "phone number",
            "number",
            "company",
            "organisation",
            "web address",
            "website",
            "place",
            "date",
            "day",
            "time",
            "date and time",
            "money",
            "budget",
            "person's name");

    private static boolean plain(String called) {
        return KINDS.contains(called.strip().toLowerCase(Locale.ROOT));
    }

    /** What something is called, with its article: "the budget", and "your name" as it is. */
    public static String the(String called) {
        return Regex.matches(called, "(?i)(?:the|your|a|an|any)\\b.*") ? called : "the " + called;
    }

    private static List<String> labels(Wanted wanted) {
        return wanted.options().stream().map(option -> option.label()).toList();
    }

    public static String joined(String agent) {
        return "You are talking with " + agent + " now.";
    }

    /** Error words for a type, with more help on later tries. */
    public static String retry(ValueType type, int tries) {
        List<String> words = switch (type) {
            case TEXT, LONG_TEXT -> List.of("Could you put that in words?");
            case PERSON_NAME -> List.of("I didn't catch a name there.", "Just the name is enough, like “Robin Vale”.");
            case COMPANY -> List.of("I didn't catch the name of an organisation there.", "Just its name is enough.");
            case EMAIL ->
                List.of(
                        "That doesn't look like an email address.",
                        "An email address has an @ in it, like robin@example.org.");
            case PHONE ->
                List.of(
                        "I couldn't read a phone number there.",
                        "Please type the number with its area code, or with + and the country.");
            case NUMBER, RATING, SLIDER -> List.of("I need a number here.", "Digits work best, like 12.");
            case MONEY -> List.of("I need an amount of money here.", "A number is enough, like 250.");
            case DATE -> List.of("I couldn't read a day there.", "Please type it like 3 May, or “next Monday”.");
            case TIME -> List.of("I couldn't read a time there.", "Please type it like 14:30 or 2.30 pm.");
            case DATE_TIME -> List.of("I need a day and a time.", "Please type both, like 3 May at 14:30.");
            case URL -> List.of("That doesn't look like a web address.", "It looks like example.org.");
            case PLACE -> List.of("I didn't catch a place there.", "The name of a town or a postcode is enough.");
            case YES_NO -> List.of("A yes or a no is all I need.", "Please type “yes” or “no”.");
            case CHOICE, MULTI_CHOICE -> List.of("I didn't find that among the options.");
            case FILE -> List.of("I need a file here.");
            case SECRET -> List.of("I need a value here.");
        };
        return words.get(Math.min(tries, words.size()) - 1);
    }
}
