package com.shuttle.core.knowledge;

import java.util.List;

/**
 * How well a collection serves, as one number with its parts.
 *
 * @param landing  share of held-out phrasings that still land on their own entry; 1 where none can be tested
 * @param distinct share of entries and articles that neither claim nor repeat what another has
 * @param current  share of entries and articles whose last day has not passed
 * @param complete share of entries with two phrasings or more, and of articles whose pictures are all described
 * @param tested   how many phrasings were held out
 * @param astray   held-out phrasings that land elsewhere, by entry
 * @param claims   wordings two entries have, or nearly
 * @param echoes   sentences said twice, those that contradict first
 * @param over     titles of what is past its last day
 * @param mute     titles of articles with pictures that are not described
 * @param unused   titles of what has never answered, once enough was asked; counts for nothing, as some questions are rare
 */
public record Health(
        double landing,
        double distinct,
        double current,
        double complete,
        int tested,
        List<Astray> astray,
        List<Claim> claims,
        List<Echo> echoes,
        List<String> over,
        List<String> mute,
        List<String> unused) {

    /** A phrasing that lands on another entry or article when its own does not have it. */
    public record Astray(String phrasing, String own, String landed) {}

    /** Two entries that claim the same question. */
    public record Claim(String first, String second, String wording, String other) {}

    /**
     * Two sentences that say about the same.
     *
     * @param contradicts whether their numbers differ
     */
    public record Echo(String first, String second, String sentence, String other, boolean contradicts) {}

    public Health {
        astray = List.copyOf(astray);
        claims = List.copyOf(claims);
        echoes = List.copyOf(echoes);
        over = List.copyOf(over);
        mute = List.copyOf(mute);
        unused = List.copyOf(unused);
    }

    /** 0 to 100: landing counts half, distinct a quarter, current and complete the rest. */
    public int score() {
        return (int) Math.round(100 * (0.5 * landing + 0.25 * distinct + 0.15 * current + 0.1 * complete));
    }
}
