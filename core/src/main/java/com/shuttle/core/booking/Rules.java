package com.shuttle.core.booking;

/**
 * What an appointment of a kind keeps to. All lengths are in minutes and multiples of {@value #GRAIN}.
 *
 * @param minutes  how long it is
 * @param before   kept free before it
 * @param after    kept free after it
 * @param notice   between now and its beginning at least
 * @param horizon  days ahead at most
 * @param step     between two beginnings, counted from the beginning of the hours
 * @param places   how many people one can take; 1 for a single party of any size
 * @param mostADay appointments of the kind on one day; 0 for any number
 * @param all      whether all of its people and rooms are needed at once, rather than any one
 */
public record Rules(
        int minutes, int before, int after, int notice, int horizon, int step, int places, int mostADay, boolean all) {

    /** Minutes that all lengths are multiples of: what the calendar is cut into. */
    public static final int GRAIN = 5;

    /** Minutes of the longest appointment, buffer and step. */
    public static final int LONGEST = 24 * 60;

    public static final int MOST_PLACES = 1000;
    public static final int FARTHEST = 366;

    public Rules {
        requireGrain("minutes", minutes, GRAIN, LONGEST);
        requireGrain("before", before, 0, LONGEST);
        requireGrain("after", after, 0, LONGEST);
        requireGrain("step", step, GRAIN, LONGEST);
        require("notice", notice, 0, FARTHEST * 24 * 60);
        require("horizon", horizon, 1, FARTHEST);
        require("places", places, 1, MOST_PLACES);
        require("mostADay", mostADay, 0, MOST_PLACES);
    }

    private static void requireGrain(String name, int value, int least, int most) {
        require(name, value, least, most);
        if (value % GRAIN != 0) {
            throw new IllegalArgumentException(name + " must be a multiple of " + GRAIN + ", but is " + value);
        }
    }

    private static void require(String name, int value, int least, int most) {
        if (value < least || value > most) {
            throw new IllegalArgumentException(
                    "expected %s from %d to %d, but got %d".formatted(name, least, most, value));
        }
    }
}
