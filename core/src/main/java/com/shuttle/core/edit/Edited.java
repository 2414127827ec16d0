package com.shuttle.core.edit;

import com.shuttle.core.flow.Flow;

/** What came of an edit. */
public sealed interface Edited {

    /**
     * The edit was made.
     *
     * @param words what it did, for the history: "changed the wording of …"
     * @param focus id of the step to go on at; empty for none
     */
    record Done(Flow flow, String words, String focus) implements Edited {}

    /** The edit cannot be made; {@code why} is for the designer. */
    record Refused(String why) implements Edited {}

    /** Somebody else changed the same text meanwhile; {@code theirs} stands there now, and nothing was changed. */
    record Clash(String theirs) implements Edited {}
}
