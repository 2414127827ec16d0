package com.shuttle.core.hostile;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Whatever is written, nothing throws and nothing takes long. {@code ./shuttle fuzz} does the same for as long as one likes. */
class HostileTextsTest {

    private static final int TEXTS = 10_000;
    private static final int THREADS = 2;
    private static final long SEED = 20_261_127;

    /** Each text meets one target, in turn. */
    @Test
    void nothingThrowsAndNothingTakesLong() {
        assertThat(IntStream.range(0, THREADS).parallel().boxed().flatMap(part -> found(part).stream()))
                .isEmpty();
    }

    private static List<String> found(int part) {
        Targets targets = new Targets();
        HostileTexts texts = new HostileTexts(SEED + part);
        List<String> names = targets.names();
        List<String> found = new ArrayList<>();
        for (int i = 0; i < TEXTS / THREADS; i++) {
            String text = Words.clean(texts.next());
            String name = names.get(i % names.size());
            String fault = targets.fault(name, text);
            if (!fault.isEmpty()) {
                found.add("%s, text %d of %d: %s".formatted(name, i, part, fault));
            }
        }
        return found;
    }

    @Test
    void whatWasFoundOnceIsNotFoundAgain() throws IOException {
        Targets targets = new Targets();
        List<String> found = new ArrayList<>();
        for (Cases.Case one : Cases.in(Path.of("src/test/resources/hostile"))) {
            targets.names().stream()
                    .filter(name -> !targets.fault(name, one.text()).isEmpty())
                    .forEach(name -> found.add(one.name() + " in " + name));
        }
        assertThat(found).isEmpty();
    }
}
