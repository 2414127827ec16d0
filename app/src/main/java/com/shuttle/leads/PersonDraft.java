package com.shuttle.leads;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A person while they are changed. Not thread-safe. */
final class PersonDraft {

    private final Person before;
    String name;
    String email;
    String phone;
    String company;
    Instant lastAt;

    @Nullable
    Instant leadAt;

    String state;
    String owner;

    @Nullable
    Integer points;

    String band;
    String card;
    BigDecimal worth;
    String conversation;
    int conversations;
    List<String> tags;

    @Nullable
    Instant agreedAt;

    @Nullable
    Instant stoppedAt;

    String stoppedWhy;

    PersonDraft(Person before) {
        this.before = before;
        this.name = before.name();
        this.email = before.email();
        this.phone = before.phone();
        this.company = before.company();
        this.lastAt = before.lastAt();
        this.leadAt = before.leadAt();
        this.state = before.state();
        this.owner = before.owner();
        this.points = before.points();
        this.band = before.band();
        this.card = before.card();
        this.worth = before.worth();
        this.conversation = before.conversation();
        this.conversations = before.conversations();
        this.tags = before.tags();
        this.agreedAt = before.agreedAt();
        this.stoppedAt = before.stoppedAt();
        this.stoppedWhy = before.stoppedWhy();
    }

    /** Somebody of whom nothing is known yet. */
    static Person nobody(String id, Instant at, String bot, String channel, String page, String campaign) {
        return new Person(
                id,
                "",
                "",
                "",
                "",
                at,
                at,
                null,
                "",
                "",
                null,
                "",
                "",
                BigDecimal.ZERO,
                bot,
                "",
                0,
                channel,
                page,
                campaign,
                List.of(),
                null,
                null,
                "",
                0);
    }

    /** What one of the fields that everybody has holds. */
    static String field(Person person, String field) {
        return switch (field) {
            case "name" -> person.name();
            case "email" -> person.email();
            case "phone" -> person.phone();
            case "company" -> person.company();
            default -> "";
        };
    }

    /** Sets one of the fields that everybody has. */
    PersonDraft field(String field, String content) {
        switch (field) {
            case "name" -> name = content;
            case "email" -> email = content;
            case "phone" -> phone = content;
            case "company" -> company = content;
            default -> throw new IllegalArgumentException("nobody has a field " + field + " of their own");
        }
        return this;
    }

    Person done() {
        return new Person(
                before.id(),
                name,
                email,
                phone,
                company,
                before.madeAt(),
                lastAt,
                leadAt,
                state,
                owner,
                points,
                band,
                card,
                worth,
                before.bot(),
                conversation,
                conversations,
                before.channel(),
                before.page(),
                before.campaign(),
                tags,
                agreedAt,
                stoppedAt,
                stoppedWhy,
                before.version());
    }
}
