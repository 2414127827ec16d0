package com.shuttle.leads;

import java.util.Locale;

/** Something of a lead has changed, within the transaction that changes it. @param before what it was, in words; may be empty */
public record LeadChanged(What what, Person lead, String before) {

    /** What it was. */
    public enum What {
        MADE,
        BAND,
        STATE,
        OWNER;

        /** As callbacks name it. */
        public String key() {
            return "lead." + name().toLowerCase(Locale.ROOT);
        }
    }
}
