package com.shuttle.core.cue;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import com.shuttle.core.cue.Cue.Limits;
import com.shuttle.core.cue.Moment.Past;
import com.shuttle.core.cue.Where.How;
import com.shuttle.core.cue.Where.Of;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The first cue that fits acts: by what happened, where, when, for whom and how often. */
class CuesTest {

    private static final Instant NOW = Instant.parse("2026-03-10T10:00:00Z");

    private static final class With {
        private Happening what = Happening.STAYED;
        private int amount;
        private List<String> words = List.of();
        private List<Where> where = List.of();
        private Map<String, String> hours = Map.of();
        private List<String> languages = List.of();
        private List<String> devices = List.of();
        private Limits limits = new Limits(0, 0, 0, 0);
        private boolean on = true;

        Cue cue(String id) {
            return new Cue(
                    id, id, on, what, amount, words, where, hours, languages, devices, limits, "Hello", "", false);
        }
    }

    private static Moment moment(Happening what, int amount, String said, String page, int visits, Past past) {
        return new Moment(
                what,
                amount,
                said,
                Moment.address(page),
                Moment.path(page),
                "https://news.example/skies",
                "spring-open-days",
                visits,
                "en-GB",
                "phone",
                LocalDateTime.parse("2026-03-10T10:00"),
                NOW,
                List.of("plan: Gold", "seats: 4"),
                List.of("name: Dana", "members: 2"),
                Map.of("c", past));
    }

    private static Moment stayed(int seconds) {
        return moment(Happening.STAYED, seconds, "", "https://tarnfell.example/schools?year=4#top", 2, Past.NONE);
    }

    private static String why(With with, Moment moment) {
        return Cues.whyNot(with.cue("c"), moment);
    }

    @Test
    void theFirstThatFitsActs() {
        With late = new With();
        late.amount = 60;
        With soon = new With();
        soon.amount = 20;
        List<Cue> cues = List.of(late.cue("late"), soon.cue("soon"), new With().cue("last"));
        assertThat(Cues.decide(cues, stayed(40)).id()).isEqualTo("soon");
        assertThat(Cues.decide(cues, stayed(60)).id()).isEqualTo("late");
        assertThat(Cues.decide(List.of(), stayed(60))).isNull();
        late.on = false;
        assertThat(why(late, stayed(90))).isEqualTo("It is switched off.");
    }

    @Test
    void whatHappenedIsWhatItWaitsFor() {
        With with = new With();
        with.amount = 30;
        assertThat(why(with, stayed(29))).isEqualTo("It waits for 30 seconds.");
        assertThat(why(with, stayed(30))).isNull();
        with.what = Happening.SCROLLED;
        assertThat(why(with, stayed(30))).startsWith("It waits for something else");
        assertThat(why(with, moment(Happening.SCROLLED, 80, "", "/", 1, Past.NONE)))
                .isNull();
        with.amount = 0;
        with.what = Happening.FIRST_VISIT;
        assertThat(why(with, stayed(0))).as("the second visit").isNotNull();
        assertThat(why(with, moment(Happening.STAYED, 0, "", "/", 1, Past.NONE)))
                .isNull();
        with.what = Happening.RETURNING;
        assertThat(why(with, stayed(0))).isNull();
    }

    @Test
    void ofEachKindOfPlaceOneMustBe() {
        With with = new With();
        with.where = List.of(
                new Where(Of.PAGE, How.EQUALS, "/hire", false),
                new Where(Of.PAGE, How.EQUALS, "/schools", false),
                new Where(Of.FACT, How.EQUALS, "plan: gold", false));
        assertThat(why(with, stayed(1))).isNull();
        with.where = List.of(
                new Where(Of.PAGE, How.EQUALS, "/schools", false),
                new Where(Of.FACT, How.EQUALS, "plan: silver", false));
        assertThat(why(with, stayed(1))).isEqualTo("What the website tells of them is something else.");
        with.where = List.of(new Where(Of.FACT, How.PATTERN, "seats: *", true));
        assertThat(why(with, stayed(1))).contains("which is left out");
        with.where = List.of(new Where(Of.FACT, How.CONTAINS, "trial", true));
        assertThat(why(with, stayed(1))).isNull();
        with.where = List.of(new Where(Of.KNOWN, How.PATTERN, "name: *", false));
        assertThat(why(with, stayed(1))).isNull();
        with.where = List.of(new Where(Of.KNOWN, How.EQUALS, "plan: gold", false));
        assertThat(why(with, stayed(1))).isEqualTo("What it remembers of them is something else.");
    }

    @Test
    void aKeywordIsItsOwnWordOnly() {
        With with = new With();
        with.what = Happening.KEYWORD;
        assertThat(why(with, moment(Happening.KEYWORD, 0, "school", "", 1, Past.NONE)))
                .as("without words it waits for none")
                .isNotNull();
        with.words = List.of("Schools", "school");
        assertThat(why(with, moment(Happening.KEYWORD, 0, "SCHOOL", "", 1, Past.NONE)))
                .isNull();
        assertThat(why(with, moment(Happening.KEYWORD, 0, "our school", "", 1, Past.NONE)))
                .isNotNull();
    }

    @Test
    void formsAndCallsAreNamed() {
        With with = new With();
        with.words = List.of("booking");
        with.what = Happening.FORM_LEFT;
        assertThat(why(with, moment(Happening.FORM_LEFT, 0, "enquiry", "/", 1, Past.NONE)))
                .isNotNull();
        with.words = List.of("Enquiry");
        assertThat(why(with, moment(Happening.FORM_LEFT, 0, "enquiry", "/", 1, Past.NONE)))
                .isNull();
        with.words = List.of();
        assertThat(why(with, moment(Happening.FORM_LEFT, 0, "other", "/", 1, Past.NONE)))
                .as("any form")
                .isNull();
        with.what = Happening.CALLED;
        with.words = List.of("tour");
        assertThat(why(with, moment(Happening.CALLED, 0, "Tour ", "/", 1, Past.NONE)))
                .isNull();
        assertThat(why(with, moment(Happening.CALLED, 0, "tours", "/", 1, Past.NONE)))
                .isEqualTo("It waits for another name.");
    }

    @ParameterizedTest
    @CsvSource({
        "PAGE, EQUALS, /schools, true",
        "PAGE, EQUALS, /school, false",
        "PAGE, CONTAINS, CHOOL, true",
        "PAGE, CONTAINS, year=4, true",
        "PAGE, PATTERN, /s*s, true",
        "PAGE, PATTERN, /s*x, false",
        "PAGE, PATTERN, tarnfell.example/*, true",
        "PAGE, PATTERN, *.example/schools*, true",
        "REFERRER, CONTAINS, news.example, true",
        "REFERRER, EQUALS, news.example, false",
        "CAMPAIGN, CONTAINS, open-days, true",
        "CAMPAIGN, PATTERN, autumn*, false",
    })
    void pagesReferrersAndCampaignsAreCompared(Of of, How how, String value, boolean fits) {
        With with = new With();
        with.where = List.of(new Where(of, how, value, false));
        assertThat(why(with, stayed(1)) == null).isEqualTo(fits);
        with.where = List.of(new Where(of, how, value, true));
        assertThat(why(with, stayed(1)) == null).as("not").isEqualTo(!fits);
    }

    @Test
    void anyPlaceDoesButNoneThatIsLeftOut() {
        With with = new With();
        with.where = List.of(
                new Where(Of.PAGE, How.EQUALS, "/members", false), new Where(Of.PAGE, How.PATTERN, "/sch*", false));
        assertThat(why(with, stayed(1))).isNull();
        with.where = List.of(
                new Where(Of.PAGE, How.PATTERN, "/sch*", false), new Where(Of.PAGE, How.CONTAINS, "year=4", true));
        assertThat(why(with, stayed(1))).isEqualTo("The page contains “year=4”, which is left out.");
        with.where = List.of(new Where(Of.PAGE, How.EQUALS, "/members", false));
        assertThat(why(with, stayed(1))).isEqualTo("It acts on other pages.");
    }

    @Test
    void hoursLanguagesAndDevicesAreKeptTo() {
        With with = new With();
        with.hours = Map.of("tuesday", "09:00-10:00");
        assertThat(why(with, stayed(1))).isEqualTo("It acts at other hours.");
        with.hours = Map.of("tuesday", "09:00-10:30");
        assertThat(why(with, stayed(1))).isNull();
        with.languages = List.of("fr");
        assertThat(why(with, stayed(1))).isEqualTo("It is for visitors of another language.");
        with.languages = List.of("fr", "en");
        with.devices = List.of("desktop");
        assertThat(why(with, stayed(1))).isEqualTo("It is for another device.");
        with.devices = List.of("desktop", "phone");
        assertThat(why(with, stayed(1))).isNull();
    }

    @Test
    void itActsNoOftenerThanItShould() {
        With with = new With();
        with.limits = Limits.USUAL;
        assertThat(why(with, stayed(1))).isNull();
        List<Instant> times = List.of(NOW.minusSeconds(90_000), NOW.minusSeconds(3600));
        Past acted = new Past(1, times, Instant.MIN);
        Moment again = moment(Happening.STAYED, 9, "", "/", 2, acted);
        assertThat(why(with, again)).isEqualTo("It has acted often enough in this visit.");
        with.limits = new Limits(0, 1, 0, 0);
        assertThat(why(with, again)).isEqualTo("It has acted often enough today.");
        with.limits = new Limits(0, 2, 3, 0);
        assertThat(why(with, again)).isNull();
        with.limits = new Limits(0, 0, 2, 0);
        assertThat(why(with, again)).isEqualTo("It has acted often enough.");
        with.limits = new Limits(0, 0, 0, 2);
        Past dismissed = new Past(0, List.of(), NOW.minusSeconds(3600));
        assertThat(why(with, moment(Happening.STAYED, 9, "", "/", 2, dismissed)))
                .isEqualTo("It was dismissed, and rests.");
        with.limits = new Limits(0, 0, 0, 1);
        assertThat(why(with, moment(Happening.STAYED, 9, "", "/", 2, dismissed)))
                .isNull();
    }

    @Test
    void amountsHaveBounds() {
        With with = new With();
        with.what = Happening.SCROLLED;
        with.amount = 101;
        assertThatThrownBy(() -> with.cue("c")).hasMessageContaining("from 0 to 100");
        with.what = Happening.LEAVING;
        with.amount = 1;
        assertThatThrownBy(() -> with.cue("c")).isInstanceOf(IllegalArgumentException.class);
    }

    @Property(tries = 500)
    void patternsMeanWhatTheirExpressionDoes(
            @ForAll @CharRange(from = 'a', to = 'b') @StringLength(max = 12) String text,
            @ForAll @CharRange(from = 'a', to = 'c') @StringLength(max = 8) String pattern) {
        String starred = pattern.replace('c', '*');
        String expression = starred.chars()
                .mapToObj(c -> c == '*' ? ".*" : Pattern.quote(String.valueOf((char) c)))
                .collect(Collectors.joining());
        assertThat(Where.like(text, starred)).isEqualTo(text.matches(expression));
    }

    @Test
    void noPatternTakesForEver() {
        String pattern = String.join("a*", Collections.nCopies(100, "*")) + "b";
        String text = "a".repeat(100_000);
        assertTimeoutPreemptively(
                Duration.ofSeconds(10),
                () -> assertThat(Where.like(text, pattern)).isFalse());
    }
}
