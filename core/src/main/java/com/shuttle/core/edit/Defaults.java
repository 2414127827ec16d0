package com.shuttle.core.edit;

import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.shape.Refusal;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import java.time.LocalDate;
import java.time.LocalDateTime;

/**
 * What is taken where a question is skipped, looked at when it is written: a type that has more than words to it takes only
 * what its reader reads. Words, names
 * and places stand as they are written; how a phone number is written is a matter of the bot's country.
 */
final class Defaults {

    /** Days are read as if it were this one: whether words tell a day does not depend on which. */
    private static final LocalDateTime SOME_DAY = LocalDate.of(2026, 1, 1).atStartOfDay();

    private Defaults() {}

    /** @throws Refusal if the default of a question is nothing that its type could be */
    static void refuseUnfit(Question question) {
        String words = question.fallback();
        if (words.isBlank()
                || words.contains("{{")
                || question.type().wordsStand()
                || question.type() == ValueType.PHONE) {
            return;
        }
        if (!(Reader.reply(question.type(), words, new Context("GB", SOME_DAY)) instanceof Reading.Given)) {
            throw new Refusal("When it is skipped it is taken as “" + words + "”, which is no "
                    + question.type().label() + ". Write one, or leave that empty.");
        }
    }
}
