package com.shuttle.appointments;

import com.shuttle.core.booking.Chooser;
import com.shuttle.core.booking.Rules;
import java.util.List;

/**
 * A kind of appointment.
 *
 * @param about     what visitors are told of it in mails; may be empty
 * @param place     where it is; may be empty
 * @param by        who of several takes one
 * @param resources ids of the people and rooms it may be with
 */
public record Kind(
        String id, String name, String about, String place, Rules rules, Chooser.By by, List<String> resources) {
    public Kind {
        resources = List.copyOf(resources);
    }

    /** What stands in the database beside id and name. */
    record Document(String about, String place, Rules rules, Chooser.By by, List<String> resources) {}

    Document document() {
        return new Document(about, place, rules, by, resources);
    }

    /** How many places a party takes. */
    int taking(int party) {
        return rules.places() == 1 ? 1 : party;
    }
}
