package com.shuttle.marks;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.chat.BotWorld;
import com.shuttle.core.acts.Act;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Mark;
import com.shuttle.core.acts.Odds;
import com.shuttle.core.acts.Situation;
import com.shuttle.core.acts.Situation.Pending;
import com.shuttle.core.conversation.Query;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.web.Checked;
import com.shuttle.web.Wanted;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

@ServerTest
class MarkServiceTest {

    private static final Situation NAME =
            new Situation(Pending.VALUE, ValueType.PERSON_NAME, "Who is it for?", List.of(), Map.of());

    private final TestData data;
    private final MarkService marks;
    private final BotWorld world;

    MarkServiceTest(TestData data, MarkService marks, BotWorld world) {
        this.data = data;
        this.marks = marks;
        this.world = world;
    }

    private Odds heard(String bot, String clause) {
        Context context = new Context("GB", LocalDateTime.of(2026, 4, 15, 10, 0));
        return world.of(bot, "test").reply(new Query.Acts(List.of(clause), NAME, context))[0];
    }

    @Test
    void aMarkIsHeardAtOnceByItsBotOnly() {
        String bot = data.bot().id();
        String other = data.bot().id();
        Odds before = heard(bot, "the quiet corner");
        TestData.good(marks.put(bot, Mark.of("The quiet corner", NAME, Kind.REFUSE), null));
        assertThat(heard(bot, "the quiet corner").of(Act.REFUSE)).isGreaterThan(0.9);
        assertThat(heard(other, "the quiet corner")).isEqualTo(before);
    }

    @Test
    void whatIsMarkedAnewTakesThePlaceOfWhatWasMarked() {
        String bot = data.bot().id();
        TestData.good(marks.put(bot, Mark.of("as ever", NAME, Kind.ANSWER), null));
        TestData.good(marks.put(bot, Mark.of("as ever", NAME, Kind.ANY), null));
        TestData.good(marks.put(bot, Mark.of("as ever", Situation.NONE, Kind.CHAT), null));
        assertThat(marks.of(bot)).extracting(Mark::kind).containsExactlyInAnyOrder(Kind.ANY, Kind.CHAT);
    }

    @Test
    void marksAreFoundTakenAwayAndPutBack() {
        String bot = data.bot().id();
        TestData.good(marks.put(bot, Mark.of("as ever", NAME, Kind.ANSWER), null));
        TestData.good(marks.put(bot, Mark.of("50% off?", NAME, Kind.KNOWLEDGE), null));
        Wanted found = Wanted.of(Map.of("q", "50%"));
        assertThat(marks.page(bot, found).items()).singleElement().satisfies(one -> {
            assertThat(one.mark().kind()).isEqualTo(Kind.KNOWLEDGE);
            Mark gone = marks.takeAway(bot, one.id()).orElseThrow();
            assertThat(marks.of(bot)).doesNotContain(gone);
            TestData.good(marks.put(bot, gone, null));
            assertThat(marks.of(bot)).contains(gone);
        });
        assertThat(marks.page(bot, Wanted.of(Map.of("kind", "answer"))).total()).isEqualTo(1);
        assertThat(marks.takeAway(bot, "gone")).isEmpty();
        String copy = data.bot().id();
        marks.copy(bot, copy, null);
        assertThat(marks.of(copy)).containsExactlyInAnyOrderElementsOf(marks.of(bot));
    }

    @Test
    void whatCannotBeReadIsRefused() {
        String bot = data.bot().id();
        assertThat(marks.put(bot, new Mark(" ", "open", "", Kind.CHAT), null)).isInstanceOf(Checked.Bad.class);
        assertThat(marks.put(bot, new Mark("x".repeat(4_001), "open", "", Kind.CHAT), null))
                .isInstanceOf(Checked.Bad.class);
        for (int i = 0; i < MarkService.MOST; i++) {
            TestData.good(marks.put(bot, new Mark("words " + i, "open", "", Kind.CHAT), null));
        }
        assertThat(marks.put(bot, new Mark("one more", "open", "", Kind.CHAT), null))
                .isInstanceOf(Checked.Bad.class);
    }
}
