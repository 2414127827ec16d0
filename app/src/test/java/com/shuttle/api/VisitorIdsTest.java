package com.shuttle.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.web.Vault;
import org.junit.jupiter.api.Test;

@ServerTest
class VisitorIdsTest {

    private final VisitorIds ids;

    VisitorIdsTest(Vault vault) {
        ids = new VisitorIds(vault);
    }

    @Test
    void onlyAnIdThatWasMadeHereForThisBotIsTaken() {
        String made = ids.of("vesper", null);
        assertThat(ids.of("vesper", made)).isEqualTo(made);
        assertThat(ids.of("dome hire", made)).isNotEqualTo(made);
        assertThat(ids.of("vesper", "v1")).isNotEqualTo("v1");
        assertThat(ids.of("vesper", made + "x")).isNotEqualTo(made + "x");
        assertThat(ids.of("vesper", "." + made.split("\\.")[1])).doesNotStartWith(".");
        assertThat(ids.of("vesper", null)).isNotEqualTo(made);
    }
}
