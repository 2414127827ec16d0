package com.shuttle.core.engine;

import com.shuttle.core.flow.ValueType;
import java.util.List;

/** What the bot says where the designer has not written anything. English. */
final class Phrasebook {

    static final String APOLOGY = "Sorry, something on my side went round in circles. Let me get a person for you.";
    static final String UNKNOWN =
            "I don't know that one, and I'd rather not guess. I've passed the question on so that it gets an answer.";
    static final String SUGGEST = "I'm not certain I understood. Is it one of these?";
    static final String NONE_OF_THESE = "None of these";
    static final String WHICH = "Which of these do you mean?";
    static final String QUEUED = "I'm passing you to a person. They can read what we've said so far.";
    static final String NOBODY = "Nobody from the team is there to take over at the moment.";
    static final String OFFER_PERSON = "I can't work this out on my own.";
    static final String ENDED = "Thank you, and goodbye for now.";
    static final String STILL_HERE = "No problem, I'm back. Ask me anything.";
    static final String NOTHING_BEFORE = "There is no earlier question to go back to.";
    static final String WHY_ASK = "I ask so that the right person can help you properly.";
    static final String NEEDED =
            "That's all right. I can't go on without it, though; you can also ask for a person at any time.";
    static final String CLOSED = "This conversation was closed. Thank you for getting in touch.";
    static final String RESTING = "Is there anything you would like to ask?";

    private Phrasebook() {}

    static String joined(String agent) {
        return "You are talking with " + agent + " now.";
    }

    /** Error words for a type, with more help on later tries. */
    static String retry(ValueType type, int tries) {
        List<String> words = switch (type) {
            case TEXT -> List.of("Could you put that in words?");
            case PERSON_NAME -> List.of("I didn't catch a name there.", "Just the name is enough, like “Robin Vale”.");
            case EMAIL ->
                List.of(
                        "That doesn't look like an email address.",
                        "An email address has an @ in it, like robin@example.org.");
            case PHONE ->
                List.of(
                        "I couldn't read a phone number there.",
                        "Please type the number with its area code, or with + and the country.");
            case NUMBER -> List.of("I need a number here.", "Digits work best, like 12.");
            case YES_NO -> List.of("A yes or a no is all I need.", "Please type “yes” or “no”.");
        };
        return words.get(Math.min(tries, words.size()) - 1);
    }
}
