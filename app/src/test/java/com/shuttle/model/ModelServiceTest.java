package com.shuttle.model;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.web.Checked;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;

@ServerTest
class ModelServiceTest {

    private static final String ADDRESS = "https://models.example/v1/chat/completions";

    private final ModelService models;
    private final JdbcTemplate sql;

    ModelServiceTest(ModelService models, JdbcTemplate sql) {
        this.models = models;
        this.sql = sql;
    }

    @AfterEach
    void off() {
        models.set(false, "", "", "", 3000);
    }

    @Test
    void itIsOffUntilItIsSet() {
        assertThat(models.settings()).isEqualTo(ModelSettings.NONE);
    }

    @Test
    void theKeyIsSealedKeptWhileTheAddressStaysAndForgottenWithIt() {
        TestData.good(models.set(true, ADDRESS, "small", "very-secret", 900));
        assertThat(models.settings()).isEqualTo(new ModelSettings(true, ADDRESS, "small", "very-secret", 900));
        assertThat(sql.queryForObject("select sealed_key from language_model", String.class))
                .isNotBlank()
                .doesNotContain("very-secret");
        TestData.good(models.set(true, ADDRESS, "large", "", 900));
        assertThat(models.settings().key()).isEqualTo("very-secret");
        assertThat(models.settings().name()).isEqualTo("large");
        TestData.good(models.set(true, "https://elsewhere.example/v1", "large", "", 900));
        assertThat(models.settings().key()).isEmpty();
    }

    @Test
    void whatIsUnfitChangesNothing() {
        TestData.good(models.set(true, ADDRESS, "small", "", 900));
        assertThat(models.set(true, "nowhere", "small", "", 900)).isNotInstanceOf(Checked.Good.class);
        assertThat(models.settings().address()).isEqualTo(ADDRESS);
    }
}
