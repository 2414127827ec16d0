package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.StepKind;
import com.shuttle.web.Checked;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

@ServerTest
class BotServiceTest {

    private final TestData data;
    private final BotService bots;

    BotServiceTest(TestData data, BotService bots) {
        this.data = data;
        this.bots = bots;
    }

    private Flow flow(Bot bot) {
        return bots.draft(bot.id(), "main").flow();
    }

    private void edit(Bot bot, Edit edit) {
        assertThat(bots.edit(bot.id(), "main", edit, null)).isInstanceOf(Edited.Done.class);
    }

    @Test
    void editsAreUndoneAndRedoneStepByStep() {
        Bot bot = data.bot();
        List<Flow> states = new ArrayList<>(List.of(flow(bot)));
        Random random = new Random(7);
        for (int i = 0; i < 12; i++) {
            var steps = flow(bot).allSteps();
            edit(
                    bot,
                    new Edit.Add(
                            steps.isEmpty()
                                    ? null
                                    : steps.get(random.nextInt(steps.size())).id(),
                            null,
                            StepKind.MESSAGE));
            states.add(flow(bot));
        }
        for (int i = states.size() - 2; i >= 0; i--) {
            assertThat(bots.step(bot.id(), "main", true).flow()).isEqualTo(states.get(i));
        }
        assertThat(bots.step(bot.id(), "main", true).canUndo()).isFalse();
        for (int i = 1; i < states.size(); i++) {
            assertThat(bots.step(bot.id(), "main", false).flow()).isEqualTo(states.get(i));
        }
        assertThat(bots.step(bot.id(), "main", false).canRedo()).isFalse();
    }

    @Test
    void typingOnInOneFieldIsOneEdit() {
        Bot bot = data.bot();
        edit(bot, new Edit.Add(null, null, StepKind.MESSAGE));
        edit(bot, new Edit.Set("n1", "text.0", "H"));
        edit(bot, new Edit.Set("n1", "text.0", "Hel"));
        edit(bot, new Edit.Set("n1", "text.0", "Hello"));
        edit(bot, new Edit.Set("n1", "title", "Greeting"));
        assertThat(bots.draft(bot.id(), "main").edit()).isEqualTo(3);
        bots.step(bot.id(), "main", true);
        bots.step(bot.id(), "main", true);
        assertThat(flow(bot).firstStep().wordings()).containsExactly("");
    }

    @Test
    void anEditAfterUndoingDropsWhatWasUndone() {
        Bot bot = data.bot();
        edit(bot, new Edit.Add(null, null, StepKind.MESSAGE));
        edit(bot, new Edit.Add("n1", null, StepKind.END));
        bots.step(bot.id(), "main", true);
        edit(bot, new Edit.Add("n1", null, StepKind.CHOICE));
        assertThat(bots.draft(bot.id(), "main").canRedo()).isFalse();
        assertThat(flow(bot).allSteps()).hasSize(2);
    }

    @Test
    void aRefusedEditChangesNothing() {
        Bot bot = data.bot();
        assertThat(bots.edit(bot.id(), "main", new Edit.Delete("gone"), null)).isInstanceOf(Edited.Refused.class);
        assertThat(bots.draft(bot.id(), "main").edit()).isZero();
    }

    private static BotForm form(String name, String slug, String description, String region, String zone) {
        return new BotForm(name, slug, description, region, zone, Manner.PLAIN);
    }

    @Test
    void addressesAreMadeOfNamesAndUnique() {
        Bot one = TestData.good(bots.create("Café Ölberg!", "GB", null));
        Bot two = TestData.good(bots.create("Cafe Olberg", "GB", null));
        assertThat(one.slug()).isEqualTo("cafe-olberg");
        assertThat(two.slug()).isEqualTo("cafe-olberg-2");
        assertThat(TestData.good(bots.create("日本", "JP", null)).slug()).startsWith("bot");
        assertThat(bots.change(two.id(), form("X", "cafe-olberg", "", "GB", "Europe/London")))
                .isEqualTo(new Checked.Bad<>(java.util.Map.of("slug", "Another bot has this address.")));
    }

    @Test
    void faultyProfilesAreRefusedByField() {
        Checked<Bot> changed = bots.change(data.bot().id(), form(" ", "A B", "x".repeat(2001), "XX", "Mars/Base"));
        assertThat(changed)
                .isInstanceOfSatisfying(
                        Checked.Bad.class,
                        bad -> assertThat(bad.errors().keySet().toString())
                                .contains("name", "slug", "description", "region"));
    }

    @Test
    void flowsAreAddedDescribedAndDeletedButTheMainOneStays() {
        Bot bot = data.bot();
        Flow flow = TestData.good(bots.addFlow(bot.id(), "Callback", null));
        TestData.good(bots.describeFlow(bot.id(), flow.id(), "Call me", "ring me\n\n call me \nring me", null));
        assertThat(bots.draft(bot.id(), flow.id()).flow().phrases()).containsExactly("ring me", "call me");
        assertThat(bots.deleteFlow(bot.id(), "main")).isFalse();
        assertThat(bots.deleteFlow(bot.id(), flow.id())).isTrue();
        assertThat(bots.drafts(bot.id())).hasSize(1);
    }

    @Test
    void anEmptyBotCannotBeReleased() {
        assertThat(data.releases.release(data.bot().id(), "", null)).isInstanceOf(Checked.Bad.class);
    }

    @Test
    void theDraftIsComparedWithWhatIsLive() {
        Bot bot = data.bot();
        edit(bot, new Edit.Add(null, null, StepKind.MESSAGE));
        assertThat(data.releases.draftDiffers(bot)).isTrue();
        assertThat(TestData.good(data.releases.release(bot.id(), "one", null)).number())
                .isEqualTo(1);
        assertThat(data.releases.draftDiffers(bot)).isFalse();
        edit(bot, new Edit.Set("n1", "text.0", "Hi"));
        assertThat(data.releases.draftDiffers(bot)).isTrue();
        assertThat(TestData.good(data.releases.release(bot.id(), "two", null)).number())
                .isEqualTo(2);
        assertThat(data.releases.releases(bot.id()))
                .extracting(info -> info.note())
                .containsExactly("two", "one");
    }
}
