package com.shuttle.demo;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.Line;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Branch;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.Month;
import java.time.format.DateTimeFormatter;
import java.time.temporal.TemporalAdjusters;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What the demo's bots promise and reckon is so. */
@ServerTest
class DemoTalksTest {

    private static final DateTimeFormatter SAID = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final TestData data;
    private final ConversationService conversations;

    DemoTalksTest(TestData data, ConversationService conversations) {
        this.data = data;
        this.conversations = conversations;
    }

    private Bot bot(String slug) {
        return data.bots.bySlug(slug).orElseThrow();
    }

    /** What stands after all this was said, the bot's words together. */
    private String talk(String slug, String... said) {
        String id = conversations
                .begin(bot(slug).id(), "", "", "web", "")
                .orElseThrow()
                .conversation();
        for (int i = 0; i < said.length; i++) {
            conversations.say(id, "m" + i, said[i]);
        }
        return conversations.lines(id, 0).stream()
                .map(Line::message)
                .filter(message -> message.from() == Message.From.BOT)
                .map(Message::text)
                .collect(Collectors.joining("\n"));
    }

    /** The first such day, three weeks from now or later, in a month whose weeknights are a fifth less. */
    private static LocalDate quiet(DayOfWeek day) {
        LocalDate first = LocalDate.now().plusWeeks(3);
        if (first.plusWeeks(1).getMonth() == Month.JUNE || first.plusWeeks(1).getMonth() == Month.DECEMBER) {
            first = first.plusMonths(1).withDayOfMonth(1).plusMonths(1);
        }
        return first.with(TemporalAdjusters.nextOrSame(day));
    }

    @ParameterizedTest
    @CsvSource({
        "WEDNESDAY, 50, 1120",
        "SATURDAY, 50, 1400",
        "THURSDAY, 30, 760",
        "SUNDAY, 30, 950",
        "TUESDAY, 120, 1520"
    })
    void weeknightsUnderTheDomeAreAFifthLess(DayOfWeek day, int guests, String price) {
        assertThat(talk(
                        "dome-hire",
                        "a company evening",
                        String.valueOf(guests),
                        SAID.format(quiet(day)),
                        "I'd rather not say",
                        "none of these"))
                .contains("£" + price);
    }

    @ParameterizedTest
    @CsvSource({"29, 2", "30, 3", "31, 3", "39, 3", "40, 4", "60, 6"})
    void oneAdultIsFreeForEveryFullTenPupils(int pupils, String adults) {
        LocalDate day = quiet(DayOfWeek.WEDNESDAY);
        assertThat(talk(
                        "school-visits",
                        "My name is Robin Castell, robin@example.org",
                        "Fernhollow Primary School",
                        pupils + " pupils",
                        SAID.format(day),
                        "year 4",
                        "no",
                        "skip",
                        "yes"))
                .contains(adults + " adults come free of charge");
    }

    /** The guides' flow knows the same closed days as the bot's hours. */
    @ParameterizedTest
    @EnumSource(DayOfWeek.class)
    void guidesAreInOnOpenDaysOnly(DayOfWeek day) {
        Bot vesper = bot("vesper");
        Flow guide = data.bots.draft(vesper.id(), "guide").flow();
        Branch open = (Branch) guide.findStep("open").orElseThrow();
        String name = day.name().toLowerCase(Locale.ROOT);
        Expressions expressions = new Expressions(Map.of("weekday", ValueType.TEXT));
        Expressions.Result closed = expressions.evaluate(
                open.rules().getFirst().when(), Map.of("weekday", new Value.Text(name)), Expressions.Around.NOTHING);
        assertThat(closed)
                .isEqualTo(new Expressions.Result.Given(
                        new Value.YesNo(!vesper.manner().hours().containsKey(name))));
    }
}
