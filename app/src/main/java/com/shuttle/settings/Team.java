package com.shuttle.settings;

import java.util.List;

/** People who take conversations together. */
public record Team(String id, String name, List<Account> members) {
    public Team {
        members = List.copyOf(members);
    }
}
