package com.shuttle.leads;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Somebody who visits, found again by email or phone. Texts may be empty.
 *
 * @param email        in the form in which it is compared
 * @param phone        in E.164 form
 * @param leadAt       since when there is something to be won; null for nobody's lead
 * @param state        id of a state
 * @param owner        id of the account that looks after them
 * @param points       of the latest score; null for none
 * @param band         name of its band
 * @param card         id of its scorecard
 * @param worth        what the milestones of their conversations are worth together
 * @param bot          that they met first, as {@code channel}, {@code page} and {@code campaign} are of that conversation
 * @param conversation the latest
 * @param agreedAt     when they last agreed to be written to; null where they did not, or do no longer
 * @param stoppedAt    when they wanted no more mail, or it came back; null for neither
 * @param version      counts changes, so that two who change at once are told
 */
public record Person(
        String id,
        String name,
        String email,
        String phone,
        String company,
        Instant madeAt,
        Instant lastAt,
        @Nullable Instant leadAt,
        String state,
        String owner,
        @Nullable Integer points,
        String band,
        String card,
        BigDecimal worth,
        String bot,
        String conversation,
        int conversations,
        String channel,
        String page,
        String campaign,
        List<String> tags,
        @Nullable Instant agreedAt,
        @Nullable Instant stoppedAt,
        String stoppedWhy,
        int version) {

    public Person {
        tags = List.copyOf(tags);
    }

    /** What to call them in a list. */
    public String called() {
        return !name.isEmpty() ? name : !email.isEmpty() ? email : !phone.isEmpty() ? phone : "Somebody";
    }

    /** Whether mail may be sent that they did not ask for just now. */
    public boolean mayBeWrittenTo() {
        return agreedAt != null && stoppedAt == null && !email.isEmpty();
    }
}
