package com.shuttle.core.people;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Finds the person of whom something was said, by email or phone. An email is one person's. A phone may be shared: who gives it
 * is somebody known by it only where neither the emails nor the names speak against that. Whoever turns out to be known twice,
 * once by the email and once by the phone alone, is joined, so that what comes of several messages does not depend on their
 * order. Pure functions.
 */
public final class People {

    /** What was said of somebody. Addresses as {@link Identity} has them; each part may be empty. */
    public record Claim(String name, String email, String phone) {}

    /** Somebody known. */
    public record Known(String id, String name, String email, String phone) {}

    /**
     * Who it is.
     *
     * @param is    id of somebody known; null for somebody new
     * @param joins ids of others known who are the same
     */
    public record Match(@Nullable String is, List<String> joins) {
        public Match {
            joins = List.copyOf(joins);
        }
    }

    private People() {}

    /** @param known those who have the email or the phone, longest known first */
    public static Match match(Claim claim, List<Known> known) {
        Known byEmail = claim.email().isEmpty()
                ? null
                : known.stream()
                        .filter(one -> one.email().equals(claim.email()))
                        .findFirst()
                        .orElse(null);
        String name = byEmail == null ? claim.name() : Identity.fuller(byEmail.name(), claim.name());
        List<Known> byPhone = claim.phone().isEmpty()
                ? List.of()
                : known.stream()
                        .filter(one -> one != byEmail && one.phone().equals(claim.phone()))
                        .filter(one ->
                                Identity.sameName(one.name(), name) || Identity.sameName(one.name(), claim.name()))
                        .toList();
        List<Known> bare = byPhone.stream().filter(one -> one.email().isEmpty()).toList();
        if (byEmail != null) {
            return new Match(byEmail.id(), ids(bare, null));
        }
        Known is = claim.email().isEmpty() ? closest(claim, byPhone) : bare.isEmpty() ? null : bare.getFirst();
        return is == null ? new Match(null, List.of()) : new Match(is.id(), ids(bare, is));
    }

    /** Of those who share a phone, who has the very name, or else the longest known. */
    private static @Nullable Known closest(Claim claim, List<Known> byPhone) {
        return byPhone.stream()
                .filter(one -> one.name().equalsIgnoreCase(claim.name()))
                .findFirst()
                .orElse(byPhone.isEmpty() ? null : byPhone.getFirst());
    }

    private static List<String> ids(List<Known> known, @Nullable Known but) {
        List<String> ids = new ArrayList<>();
        known.stream().filter(one -> one != but).forEach(one -> ids.add(one.id()));
        return ids;
    }
}
