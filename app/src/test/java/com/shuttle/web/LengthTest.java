package com.shuttle.web;

import static com.shuttle.schema.Tables.*;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.jooq.Field;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What a form takes, its column keeps. */
class LengthTest {

    /** The columns of varying length that people's texts are kept in; longer texts are in columns without a bound. */
    private static final Map<Length, List<Field<String>>> COLUMNS = Map.ofEntries(
            Map.entry(
                    Length.NAME,
                    List.of(
                            ACCOUNT.NAME,
                            TEAM.NAME,
                            BOT.NAME,
                            API_TOKEN.NAME,
                            COLLECTION.NAME,
                            ENTRY.TEAM,
                            ENTRY.FLOW,
                            MEDIA.NAME,
                            LANGUAGE_MODEL.NAME)),
            Map.entry(Length.SHORT_NAME, List.of(DATA_TABLE.NAME)),
            Map.entry(Length.DESCRIPTION, List.of(BOT.DESCRIPTION)),
            Map.entry(Length.CATEGORY, List.of(ENTRY.CATEGORY, ARTICLE.CATEGORY)),
            Map.entry(Length.REF, List.of(ENTRY.REF, ENTRY.ARTICLE, ARTICLE.REF, DATA_TABLE.REF)),
            Map.entry(Length.TITLE, List.of(ARTICLE.TITLE)),
            Map.entry(Length.NOTE, List.of(NOTE.TEXT)),
            Map.entry(Length.RELEASE_NOTE, List.of(RELEASE.NOTE)),
            Map.entry(Length.ADDRESS, List.of(LANGUAGE_MODEL.ADDRESS)));

    @ParameterizedTest
    @EnumSource
    void everyColumnHoldsWhatItsFormsTake(Length length) {
        for (Field<String> column : COLUMNS.getOrDefault(length, List.of())) {
            assertThat(length.most())
                    .as("%s in %s", length, column)
                    .isLessThanOrEqualTo(column.getDataType().length());
        }
    }

    @Test
    void whatGrowsWhenWrittenOutIsMeasuredAsItIsKept() {
        String grows = "\uFB2C".repeat(100);
        assertThat(Length.NAME.holds(grows)).isFalse();
        assertThat(Length.NAME.holds("a".repeat(200))).isTrue();
        assertThat(Length.NAME.cut(grows)).hasSizeLessThanOrEqualTo(200).endsWith("…");
        assertThat(Length.NAME.cut("Tall ship")).isEqualTo("Tall ship");
    }
}
