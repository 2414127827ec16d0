package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TongueTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "When are you open on Sundays?|en",
                "dogs|en",
                "the die is cast in the war|en",
                "opening times sunday|en",
                "Wo kann ich mein Auto parken?|de",
                "Est-ce que je peux venir avec mon chien?|fr",
                "¿Dónde puedo dejar el coche para la visita?|es",
                "Quanto costa il biglietto per gli adulti?|it",
                "Waar kan ik mijn auto laten?|nl",
                "何時に開きますか|?",
                "Когда вы открыты?|?",
                "🙂|en"
            })
    void tellsLanguagesByTheirSmallWords(String text, String tongue) {
        assertThat(Tongue.of(text)).isEqualTo(tongue);
    }
}
