package com.shuttle.core.flow;

import java.util.List;

/**
 * Everything of a bot that a conversation needs: immutable once numbered.
 *
 * @param number   1 and up; 0 for the draft
 * @param profile  who the bot is
 * @param mainFlow id of the flow that conversations start in
 * @param flows    all flows, the main one among them
 */
public record Release(int number, Profile profile, String mainFlow, List<Flow> flows) {

    /**
     * Who the bot is.
     *
     * @param name   what visitors call it
     * @param region ISO 3166 country code in whose habits visitors write phone numbers, e.g. {@code GB}
     */
    public record Profile(String name, String region) {}

    public Release {
        flows = List.copyOf(flows);
    }
}
