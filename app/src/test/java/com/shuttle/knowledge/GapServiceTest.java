package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.web.Page;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

@ServerTest
class GapServiceTest {

    private static final Instant AT = Instant.parse("2026-03-10T09:15:00Z");

    private final TestData data;
    private final GapService gaps;
    private final KnowledgeService knowledge;

    GapServiceTest(TestData data, GapService gaps, KnowledgeService knowledge) {
        this.data = data;
        this.knowledge = knowledge;
        this.gaps = gaps;
    }

    @Test
    void likeQuestionsAreOneGapWithItsNewestWording() {
        String bot = data.bot().id();
        gaps.note(bot, "c1", "Do you sell maps?", AT);
        gaps.note(bot, "c2", "do you sell MAPS", AT.plusSeconds(60));
        gaps.note(bot, "c3", "Is there a lift?", AT.plusSeconds(30));
        Page<Gap> page = gaps.list(bot, 1);
        assertThat(page.items()).extracting(Gap::question).containsExactly("do you sell MAPS", "Is there a lift?");
        assertThat(page.items()).extracting(Gap::times).containsExactly(2, 1);
        assertThat(page.items().getFirst().conversation()).isEqualTo("c2");
        assertThat(gaps.count(bot)).isEqualTo(2);
    }

    @Test
    void dismissingOneDismissesAllThatAreLikeItInThisBotOnly() {
        String bot = data.bot().id();
        String other = data.bot().id();
        gaps.note(bot, "c1", "Do you sell maps?", AT);
        gaps.note(bot, "c2", "Do you sell maps", AT.plusSeconds(1));
        gaps.note(other, "c3", "Do you sell maps?", AT);
        Gap gap = gaps.list(bot, 1).items().getFirst();
        gaps.dismiss(other, gap.id());
        assertThat(gaps.count(bot)).as("not through another bot's address").isEqualTo(1);
        gaps.dismiss(bot, gap.id());
        assertThat(gaps.count(bot)).isZero();
        assertThat(gaps.list(bot, 1).items()).isEmpty();
    }

    @Test
    void aBadlyRatedAnswerIsAGapUntilSomebodyHasLookedAtIt() {
        Bot bot = data.bot();
        String collection = data.collectionOf(bot, "Do you sell maps?", "At the desk.");
        String ref = knowledge.content(collection).entries().getFirst().ref();
        gaps.answered(bot.id(), "c1", ref, "do you sell maps", AT);
        gaps.answered(bot.id(), "c2", ref, "have you got maps", AT);
        gaps.ratedBadly(bot.id(), "c1", AT);
        gaps.ratedBadly(bot.id(), "c1", AT.plusSeconds(5));
        Gap gap = gaps.list(bot.id(), 1).items().getFirst();
        assertThat(gap.question()).isEqualTo("do you sell maps");
        assertThat(gap.times()).isOne();
        assertThat(gap.rated()).isTrue();
        assertThat(gap.nearest()).isEqualTo(new Gap.Nearest(collection, ref, "Do you sell maps?"));
        assertThat(gaps.askAgain(bot.id())).isEqualTo(new GapService.Again(0, 1));
        gaps.dismiss(bot.id(), gap.id());
        assertThat(gaps.count(bot.id())).isZero();
    }

    @Test
    void manyGapsComeInPages() {
        String bot = data.bot().id();
        List<String> things = List.of(("honey wheelchairs thunder passports violins cement vaccination trains chess"
                        + " perfume tax earthquakes knitting football mortgages penguins lasagne radiators poetry"
                        + " submarines dentists bicycles opera gravel hamsters umbrellas volcanoes sandals")
                .split(" "));
        for (int i = 0; i < Page.SIZE + 3; i++) {
            gaps.note(bot, "c", "Tell me about " + things.get(i) + "?", AT.plusSeconds(i));
        }
        assertThat(gaps.list(bot, 1).items()).hasSize(Page.SIZE);
        assertThat(gaps.list(bot, 2).items()).hasSize(3);
        assertThat(gaps.list(bot, 2).pages()).isEqualTo(2);
    }

    @Test
    void questionsOfLikeMeaningAreOneGap() {
        String bot = data.bot().id();
        gaps.note(bot, "c1", "do you sell gift vouchers", AT);
        gaps.note(bot, "c2", "can I buy a gift voucher", AT.plusSeconds(1));
        gaps.note(bot, "c3", "is there a cloakroom", AT.plusSeconds(2));
        assertThat(gaps.list(bot, 1).items())
                .extracting(Gap::wordings)
                .containsExactly(
                        List.of("can I buy a gift voucher", "do you sell gift vouchers"),
                        List.of("is there a cloakroom"));
    }

    @Test
    void whatWasDismissedStaysAwayWhenItIsAskedAgain() {
        String bot = data.bot().id();
        gaps.note(bot, "c1", "Do you sell maps?", AT);
        gaps.dismiss(bot, gaps.list(bot, 1).items().getFirst().id());
        gaps.note(bot, "c2", "do you sell maps", AT.plusSeconds(5));
        assertThat(gaps.count(bot)).isZero();
    }

    @Test
    void taughtToTheNearestEntryTheWholeGapIsAnswered() {
        String collection = data.collection("Is there parking?", "Free, below the hill.");
        String bot = data.bot().id();
        data.knowledge.setCollections(bot, List.of(collection));
        gaps.note(bot, "c1", "where do charabancs wait", AT);
        gaps.note(bot, "c2", "charabancs, where do they wait", AT.plusSeconds(1));
        Gap gap = gaps.list(bot, 1).items().getFirst();
        assertThat(gap.times()).isEqualTo(2);
        assertThat(gap.nearest()).extracting(Gap.Nearest::title).isEqualTo("Is there parking?");
        assertThat(gaps.teachNearest(bot, gap.id())).isTrue();
        assertThat(gaps.askAgain(bot)).isEqualTo(new GapService.Again(2, 0));
        assertThat(gaps.count(bot)).isZero();
        assertThat(gaps.teachNearest(bot, gap.id())).as("no longer there").isFalse();
    }

    @Test
    void greetingsAndTheWishForAPersonAreNoGaps() {
        String bot = data.bot().id();
        List.of("hi", "Thank you!", "a person", "can I talk to somebody please")
                .forEach(words -> gaps.note(bot, "c1", words, AT));
        assertThat(gaps.count(bot)).isZero();
    }

    @Test
    void aGapIsAddedToAnyEntryByItsTitle() {
        Bot bot = data.bot();
        String collection = data.collectionOf(bot, "Do you sell maps?", "At the desk.");
        gaps.note(bot.id(), "c1", "where would I find a chart of the hills", AT);
        Gap gap = gaps.list(bot.id(), 1).items().getFirst();
        assertThat(gaps.teach(bot.id(), gap.id(), "no such entry")).isFalse();
        assertThat(gaps.titles(bot.id())).containsExactly("Do you sell maps?");
        assertThat(gaps.teach(bot.id(), gap.id(), "do you sell maps?")).isTrue();
        assertThat(knowledge.content(collection).entries().getFirst().phrasings())
                .contains("where would I find a chart of the hills");
    }
}
