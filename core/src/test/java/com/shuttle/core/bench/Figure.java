package com.shuttle.core.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.jspecify.annotations.Nullable;

/**
 * What a run has measured. Immutable.
 *
 * @param part of the run, such as "Core, one thread"
 * @param what is measured
 * @param value in the unit
 * @param beside what it is measured against in the same run, in the same unit; null for nothing
 * @param aim for the ratio where there is one and {@code ofRatio}, else for the value; null for none
 */
public record Figure(
        String part,
        String what,
        double value,
        String unit,
        @Nullable Double beside,
        @Nullable Aim aim) {

    /** A bound. @param ofRatio whether it is for the ratio to what stands beside @param least whether values may not be below it */
    public record Aim(boolean ofRatio, boolean least, double bound) {}

    public static Figure of(String part, String what, double value, String unit) {
        return new Figure(part, what, value, unit, null, null);
    }

    public Figure beside(double other) {
        return new Figure(part, what, value, unit, other, aim);
    }

    public Figure atLeast(double bound) {
        return aiming(new Aim(false, true, bound));
    }

    public Figure atMost(double bound) {
        return aiming(new Aim(false, false, bound));
    }

    public Figure ratioAtLeast(double bound) {
        return aiming(new Aim(true, true, bound));
    }

    public Figure ratioAtMost(double bound) {
        return aiming(new Aim(true, false, bound));
    }

    private Figure aiming(Aim wanted) {
        return new Figure(part, what, value, unit, beside, wanted);
    }

    /** The value by what stands beside it; null where nothing does. */
    public @Nullable Double ratio() {
        return beside == null ? null : value / beside;
    }

    /** Whether the aim is reached; null where there is none. */
    public @Nullable Boolean reached() {
        if (aim == null) {
            return null;
        }
        Double ratio = ratio();
        double measured = aim.ofRatio && ratio != null ? ratio : value;
        return aim.least ? measured >= aim.bound : measured <= aim.bound;
    }

    /** Adds it to the file that SHUTTLE_FIGURES names, a line of JSON each; prints it where there is no such file. */
    public void tell() {
        String file = System.getenv("SHUTTLE_FIGURES");
        if (file == null) {
            System.out.println(FigureTable.line(this));
            return;
        }
        try {
            Files.writeString(
                    Path.of(file),
                    FigureTable.MAPPER.writeValueAsString(this) + "\n",
                    StandardOpenOption.CREATE,
                    StandardOpenOption.APPEND);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
