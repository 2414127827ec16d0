package com.shuttle.core.hostile;

import com.shuttle.core.reading.Words;
import java.io.IOException;
import java.nio.file.Path;
import java.util.concurrent.ThreadLocalRandom;

/** Feeds hostile texts to every target for some minutes; what breaks something is kept as a case. */
public final class Fuzz {

    private static final Path FOLDER = Path.of("src/test/resources/hostile");

    private Fuzz() {}

    /** @param args minutes, and a seed if it is to be done again */
    public static void main(String[] args) throws IOException {
        long end = System.nanoTime() + (long) (Double.parseDouble(args[0]) * 60e9);
        long seed = args.length > 1
                ? Long.parseLong(args[1])
                : ThreadLocalRandom.current().nextLong();
        System.out.println("Hostile texts, seed " + seed);
        Targets targets = new Targets();
        HostileTexts texts = new HostileTexts(seed);
        long inputs = 0;
        int found = 0;
        while (System.nanoTime() < end) {
            String text = Words.clean(texts.next());
            for (String name : targets.names()) {
                String fault = targets.fault(name, text);
                inputs++;
                if (!fault.isEmpty()) {
                    found++;
                    System.out.println(name + ": " + fault);
                    Cases.keep(FOLDER, name + " " + Integer.toHexString(text.hashCode()), text);
                }
            }
        }
        System.out.printf(
                "  %,d inputs to %d targets, %d found%n",
                inputs, targets.names().size(), found);
        System.exit(found == 0 ? 0 : 1);
    }
}
