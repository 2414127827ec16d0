package com.shuttle.services;

import com.shuttle.AtOnce;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.web.Merge;
import com.shuttle.web.Vault;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two people at one connection: neither loses what they changed, and no secret goes where it was not given for. */
@ServerTest
class ConnectionsAtOnceTest {

    private final Catalogue catalogue;
    private final Vault vault;

    ConnectionsAtOnceTest(Catalogue catalogue, Vault vault) {
        this.catalogue = catalogue;
        this.vault = vault;
    }

    private AtOnce.Action keeps(String id, Map<String, String> changed) {
        Map<String, String> shown = ConnectionController.form(catalogue.connection(id));
        Map<String, String> form = new HashMap<>(shown);
        form.putAll(changed);
        form.put(Merge.WAS, Merge.written(shown));
        return () -> catalogue.keep(id, form).getClass();
    }

    @Test
    void whatTwoDoAtOnceIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(
                        () -> TestData.good(catalogue.connect(
                                new NewConnection("Records", "https://one.example", "header", "X-Key", "", "first"))),
                        id -> {
                            Connection kept = catalogue.connection(id);
                            String secret = kept.hasSecret() ? vault.open(kept.secret()) : "";
                            return List.of(ConnectionController.form(kept), secret);
                        })
                .can("names it", id -> keeps(id, Map.of("name", "Customers")))
                .can("names the header", id -> keeps(id, Map.of("who", "X-Other")))
                .can("gives another key", id -> keeps(id, Map.of("secret", "second")))
                .can("moves it", id -> keeps(id, Map.of("address", "https://two.example", "secret", "for two")))
                .can("uses a token", id -> keeps(id, Map.of("kind", "oauth", "tokenAddress", "/t", "secret", "third")))
                .check();
    }
}
