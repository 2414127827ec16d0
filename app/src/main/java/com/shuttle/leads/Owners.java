package com.shuttle.leads;

import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Team;
import java.util.List;
import org.springframework.stereotype.Component;

/** Who looks after leads. Thread-safe. */
@Component
class Owners {

    private final AccountService accounts;
    private final PersonStore people;

    Owners(AccountService accounts, PersonStore people) {
        this.accounts = accounts;
        this.people = people;
    }

    /** Of a team's people, the one whose turn it is: who was given a lead longest ago. @return empty where the team has nobody */
    String inTurn(String team) {
        List<String> members = accounts.teams().stream()
                .filter(one -> one.id().equals(team))
                .map(Team::members)
                .flatMap(List::stream)
                .map(Account::id)
                .toList();
        return members.isEmpty() ? "" : people.nextInTurn(members).orElse("");
    }

    /** An account's name; "nobody" for none, "somebody who has left" for one that is no more. */
    String name(String account) {
        return account.isEmpty()
                ? "nobody"
                : accounts.account(account).map(Account::name).orElse("somebody who has left");
    }
}
