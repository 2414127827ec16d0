package com.shuttle.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is denied, what is corrected, and what is asked rather than guessed. */
class SettlingTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "number|make it 5, not 4|5",
                "number|4, no wait, 5|5",
                "number|5 instead of 4|5",
                "number|4 or 5|?",
                "number|it isn't 4, it's 5|5",
                "date|not the 3rd of may, the 4th of may|4",
                "date|3 may is no good, 4 may|4",
                "date|3 may or 4 may|?",
                "time|5pm doesn't work, 6pm|18:00",
                "email|my old address a@example.org is dead, use b@example.org|b@example.org",
                "email|a@example.org, sorry, b@example.org|b@example.org",
                "email|a@example.org and b@example.org|?",
                "phone|it was 020 7946 0000, now 020 7946 0123|+442079460123",
                "money|not £300 but £200|200",
                "money|no more than £300|300",
                "yes_no|yes, wait, no|false",
                "yes_no|no, actually yes|true",
            })
    void theReadingThatStandsIsTaken(String type, String text, String expected) {
        Reading reading = Reader.reply(ValueType.of(type), Words.clean(text), ReaderTest.at("GB"));
        String read = reading instanceof Reading.Given given
                ? plain(given.value())
                : reading instanceof Reading.Unclear ? "?" : "-";
        assertThat(read).isEqualTo(expected);
    }

    private static String plain(Value value) {
        return switch (value) {
            case Value.Day day -> Integer.toString(day.date().getDayOfMonth());
            case Value.Money money -> money.amount().stripTrailingZeros().toPlainString();
            case Value.YesNo yes -> Boolean.toString(yes.yes());
            default -> value.shown();
        };
    }

    /** Written in any usual way, a day of the coming year is read as itself. */
    @Property(tries = 400)
    void everyDayIsReadInEveryUsualForm(
            @ForAll @IntRange(min = 1, max = 364) int ahead, @ForAll @IntRange(max = 7) int form) {
        LocalDate day = LocalDate.parse("2026-03-10").plusDays(ahead);
        String month = day.getMonth().getDisplayName(java.time.format.TextStyle.FULL, java.util.Locale.UK);
        String text = switch (form) {
            case 0 -> day.toString();
            case 1 -> day.getDayOfMonth() + " " + month + " " + day.getYear();
            case 2 -> month + " " + day.getDayOfMonth() + ", " + day.getYear();
            case 3 -> "the " + day.getDayOfMonth() + "th of " + month.toLowerCase(java.util.Locale.UK);
            case 4 -> day.getDayOfMonth() + "/" + day.getMonthValue() + "/" + day.getYear();
            case 5 -> day.getDayOfMonth() + " " + month.substring(0, 3) + " please";
            case 6 -> "in " + ahead + " days";
            default -> day.getDayOfMonth() + "." + day.getMonthValue() + "." + day.getYear();
        };
        assertThat(Reader.reply(ValueType.DATE, text, ReaderTest.at("GB")))
                .as(text)
                .isInstanceOfSatisfying(
                        Reading.Given.class, given -> assertThat(given.value()).isEqualTo(new Value.Day(day)));
    }

    @Property(tries = 300)
    void everyTimeIsReadWithItsHalfOfTheDay(
            @ForAll @IntRange(max = 23) int hour, @ForAll @IntRange(max = 59) int minute) {
        String half = hour < 12 ? "am" : "pm";
        int twelve = hour % 12 == 0 ? 12 : hour % 12;
        String clock = String.format("%02d:%02d", hour, minute);
        for (String text : List.of(
                String.format("%d:%02d %s", twelve, minute, half),
                String.format("at %d.%02d%s", twelve, minute, half),
                String.format("%02d:%02d", hour, minute).startsWith("1") && hour < 13
                        ? clock + (hour < 12 ? " am" : " pm")
                        : clock)) {
            assertThat(Reader.reply(ValueType.TIME, text, ReaderTest.at("GB")))
                    .as(text)
                    .isInstanceOfSatisfying(
                            Reading.Given.class,
                            given -> assertThat(given.value().shown()).isEqualTo(clock));
        }
    }

    @Test
    void slotsAreNamedByTheirWords() {
        Slot email = new Slot("email", "email", ValueType.EMAIL, List.of());
        Slot pupils = new Slot("pupils", "number of pupils", ValueType.NUMBER, List.of());
        assertThat(SeveralReader.names("the email is wrong", email)).isTrue();
        assertThat(SeveralReader.names("we are 26 children", pupils)).isTrue();
        assertThat(SeveralReader.names("the email is wrong", pupils)).isFalse();
    }

    @Test
    void optionsAreMeantOnlyWhereClearlyNearest() {
        List<Option> options = List.of(new Option("a", "Refund", List.of()), new Option("b", "Repair", List.of()));
        Meaning clear = (text, others) -> new double[] {0.5, 0.2};
        Meaning near = (text, others) -> new double[] {0.5, 0.4};
        Meaning far = (text, others) -> new double[] {0.2, 0.0};
        assertThat(Reader.reply(ValueType.CHOICE, "money back", ReaderTest.at("GB"), options, clear))
                .isInstanceOf(Reading.Given.class);
        assertThat(Reader.reply(ValueType.CHOICE, "money back", ReaderTest.at("GB"), options, near))
                .isEqualTo(Reading.NOTHING);
        assertThat(Reader.reply(ValueType.CHOICE, "money back", ReaderTest.at("GB"), options, far))
                .isEqualTo(Reading.NOTHING);
    }

    @Property(tries = 300)
    void noMessageBreaksTheReadingOfSeveral(@ForAll String raw) {
        List<Slot> slots = List.of(
                new Slot("name", "", ValueType.PERSON_NAME, List.of()),
                new Slot("company", "", ValueType.COMPANY, List.of()),
                new Slot("check_in", "", ValueType.DATE, List.of()),
                new Slot("check_out", "", ValueType.DATE, List.of()),
                new Slot("at", "", ValueType.DATE_TIME, List.of()),
                new Slot("guests", "", ValueType.NUMBER, List.of()),
                new Slot("budget", "", ValueType.MONEY, List.of()),
                new Slot("lunch", "", ValueType.YES_NO, List.of()));
        Map<String, Reading> read = SeveralReader.read(Words.clean(raw), slots, ReaderTest.at("GB"), Meaning.NONE);
        assertThat(read.values())
                .allMatch(reading -> reading instanceof Reading.Given || reading instanceof Reading.Unclear);
    }
}
