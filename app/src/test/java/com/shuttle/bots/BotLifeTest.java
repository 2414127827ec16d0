package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowDiff;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.settings.Account;
import com.shuttle.settings.Role;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Bots and flows that are copied, put away, deleted and brought back; the history and notes of flows. */
@ServerTest
class BotLifeTest {

    private final TestData data;
    private final BotService bots;
    private final HistoryService history;
    private final NoteService notes;

    BotLifeTest(TestData data, BotService bots, HistoryService history, NoteService notes) {
        this.data = data;
        this.bots = bots;
        this.history = history;
        this.notes = notes;
    }

    private Flow flow(Bot bot) {
        return bots.draft(bot.id(), "main").flow();
    }

    private void edit(Bot bot, Edit edit, Account by) {
        assertThat(bots.edit(bot.id(), "main", edit, by.id())).isInstanceOf(Edited.Done.class);
    }

    /** A random edit that can be made to a flow. */
    private static Edit any(Flow flow, Random random) {
        List<Step> steps = flow.allSteps();
        if (steps.isEmpty()) {
            return new Edit.Add(null, null, StepKind.MESSAGE);
        }
        Step step = steps.get(random.nextInt(steps.size()));
        Step other = steps.get(random.nextInt(steps.size()));
        return switch (random.nextInt(11)) {
            case 0 -> new Edit.Delete(step.id());
            case 1 -> new Edit.Move(step.id(), random.nextInt(-3, 4));
            case 2 -> new Edit.Become(step.id(), StepKind.values()[random.nextInt(StepKind.values().length)]);
            case 3 -> new Edit.Set(step.id(), "title", "Title " + random.nextInt(100));
            case 4 ->
                step.slots().isEmpty()
                        ? new Edit.AddSection(step.id())
                        : new Edit.Lead(step.id(), step.slots().getFirst().id(), "step:" + other.id());
            case 5 -> new Edit.Duplicate(List.of(step.id(), other.id()));
            case 6 -> new Edit.Paste(step.id(), List.of(other));
            case 7 -> new Edit.Pin(step.id(), random.nextInt(500), random.nextInt(500));
            case 8 -> new Edit.Several(List.of(new Edit.Move(step.id(), 1), new Edit.Move(other.id(), -1)));
            case 9 -> new Edit.Replace("Title", "Name", true);
            default -> new Edit.Add(step.id(), null, StepKind.values()[random.nextInt(StepKind.values().length)]);
        };
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4, 5, 6})
    void whateverIsEditedAndUndoneTheStartIsThereAgain(int seed) {
        Bot bot = data.bot();
        Account by = data.person(Role.DESIGNER);
        Random random = new Random(seed);
        Flow start = flow(bot);
        List<Flow> states = new ArrayList<>(List.of(start));
        for (int i = 0; i < 40; i++) {
            edit(bot, any(flow(bot), random), by);
            if (!flow(bot).equals(states.getLast())) {
                states.add(flow(bot));
            }
        }
        Flow end = flow(bot);
        while (bots.draft(bot.id(), "main").canUndo()) {
            bots.step(bot.id(), "main", true);
        }
        assertThat(flow(bot)).isEqualTo(start);
        while (bots.draft(bot.id(), "main").canRedo()) {
            bots.step(bot.id(), "main", false);
        }
        assertThat(flow(bot)).isEqualTo(end);
    }

    @Test
    void aCopyHasTheSameFlowsAndItsOwnAddress() {
        Bot bot = data.bot();
        bots.edit(bot.id(), "main", new Edit.Add(null, null, StepKind.MESSAGE), null);
        Bot copy = bots.duplicate(bot.id(), null);
        assertThat(copy.name()).isEqualTo(bot.name() + " (copy)");
        assertThat(copy.slug()).isNotEqualTo(bot.slug());
        assertThat(flow(copy)).isEqualTo(flow(bot));
        bots.edit(copy.id(), "main", new Edit.Delete("n1"), null);
        assertThat(flow(bot).allSteps()).hasSize(1);
    }

    @Test
    void visitorsDoNotFindABotInTheArchive() {
        Bot bot = data.bot();
        bots.archive(bot.id(), true);
        assertThat(bots.bySlug(bot.slug())).isEmpty();
        assertThat(bots.bots()).anyMatch(other -> other.id().equals(bot.id()) && other.archived());
        bots.archive(bot.id(), false);
        assertThat(bots.bySlug(bot.slug())).contains(bot);
    }

    @Test
    void aDeletedBotComesBackUnderItsAddressOrTheNextFreeOne() {
        Bot bot = data.bot();
        bots.delete(bot.id());
        assertThatThrownBy(() -> bots.bot(bot.id())).isInstanceOf(Missing.class);
        assertThat(bots.bySlug(bot.slug())).isEmpty();
        assertThat(bots.deleted().keySet()).extracting(Bot::id).contains(bot.id());
        assertThat(bots.restore(bot.id())).isEqualTo(bot);

        bots.delete(bot.id());
        Bot another = TestData.good(bots.create(bot.name(), "GB", null));
        assertThat(another.slug()).isEqualTo(bot.slug());
        assertThat(bots.restore(bot.id()).slug()).isEqualTo(bot.slug() + "-2");
        assertThatThrownBy(() -> bots.restore(bot.id())).isInstanceOf(Missing.class);
    }

    @Test
    void aDeletedFlowComesBackWithItsHistory() {
        Bot bot = data.bot();
        Flow other = TestData.good(bots.addFlow(bot.id(), "Other", null));
        bots.edit(bot.id(), other.id(), new Edit.Add(null, null, StepKind.MESSAGE), null);
        assertThat(bots.deleteFlow(bot.id(), other.id())).isTrue();
        assertThat(bots.drafts(bot.id())).hasSize(1);
        bots.restoreFlow(bot.id(), other.id());
        assertThat(bots.drafts(bot.id())).hasSize(2);
        assertThat(bots.step(bot.id(), other.id(), true).flow()).isEqualTo(other);
    }

    @Test
    void theHistoryTellsWhoDidWhatAndGoesBack() {
        Bot bot = data.bot();
        Account one = data.person(Role.DESIGNER);
        Account two = data.person(Role.DESIGNER);
        edit(bot, new Edit.Add(null, null, StepKind.MESSAGE), one);
        edit(bot, new Edit.Set("n1", "text.0", "Hello"), one);
        edit(bot, new Edit.Set("n1", "text.0", "Good day"), two);
        List<Past> edits = history.edits(bot.id(), "main", 1).items();
        assertThat(edits).extracting(Past::edit).containsExactly(3, 2, 1, 0);
        assertThat(edits).extracting(Past::account).containsExactly(two.id(), one.id(), one.id(), null);
        assertThat(edits.getFirst().words()).isEqualTo("changed the wording of “Good day”");

        assertThat(history.compare(bot.id(), "main", 2, 3))
                .singleElement()
                .satisfies(change -> assertThat(change.details())
                        .containsExactly(new FlowDiff.Detail("the wording", "Hello", "Good day")));
        history.restore(bot.id(), "main", 2, one.id());
        assertThat(flow(bot).findStep("n1").orElseThrow().wordings()).containsExactly("Hello");
        assertThat(bots.step(bot.id(), "main", true)
                        .flow()
                        .findStep("n1")
                        .orElseThrow()
                        .wordings())
                .containsExactly("Good day");
        assertThatThrownBy(() -> history.after(bot.id(), "main", 99)).isInstanceOf(Missing.class);
    }

    @Test
    void aTextThatSomebodyElseChangedIsNotOverwritten() {
        Bot bot = data.bot();
        bots.edit(bot.id(), "main", new Edit.Add(null, null, StepKind.MESSAGE), null);
        bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "First"), null);
        int edits = history.edits(bot.id(), "main", 1).total();
        assertThat(bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "Second", ""), null))
                .isEqualTo(new Edited.Clash("First"));
        assertThat(history.edits(bot.id(), "main", 1).total()).isEqualTo(edits);
    }

    @Test
    void notesAreKeptSettledAndOpenedAgain() {
        Bot bot = data.bot();
        Account one = data.person(Role.DESIGNER);
        bots.edit(bot.id(), "main", new Edit.Add(null, null, StepKind.MESSAGE), null);
        String first = TestData.good(notes.add(bot.id(), "main", "n1", " Is that so? ", one.id()));
        TestData.good(notes.add(bot.id(), "main", "n1", "Shorter, please", one.id()));
        notes.resolve(bot.id(), first, true, one.id());
        List<Note> kept = notes.notes(bot.id(), "main");
        assertThat(kept).extracting(Note::text).containsExactly("Shorter, please", "Is that so?");
        assertThat(kept.getLast().resolvedBy()).isEqualTo(one.name());
        notes.resolve(bot.id(), first, false, one.id());
        assertThat(notes.notes(bot.id(), "main")).allMatch(Note::open);

        assertThat(notes.add(bot.id(), "main", "n1", " ", one.id())).isInstanceOf(Checked.Bad.class);
        assertThat(notes.add(bot.id(), "main", "gone", "x", one.id())).isInstanceOf(Checked.Bad.class);
        assertThat(notes.add(bot.id(), "main", "n1", "x".repeat(4001), one.id()))
                .isInstanceOf(Checked.Bad.class);
        Bot other = data.bot();
        notes.resolve(other.id(), first, true, one.id());
        assertThat(notes.notes(bot.id(), "main"))
                .as("another bot's address settles nothing")
                .allMatch(Note::open);
    }

    @ParameterizedTest
    @CsvSource({
        "language, '', xx-!!, 0, ''",
        "letters, '', en, -1, ''",
        "letters, '', en, 2000, ''",
        "picture, http://elsewhere.example/x.png, en, 0, ''",
        "hours, '', en, 0, 17:00-09:00",
        "hours, '', en, 0, mornings",
    })
    void faultyMannersAreRefusedByField(String field, String picture, String language, int letters, String hours) {
        Bot bot = data.bot();
        Manner manner = new Manner(picture, "", BotForm.hours(Map.of("monday", hours)), language, letters);
        BotForm form = new BotForm("X", bot.slug(), "", "GB", "UTC", manner);
        Checked<Bot> changed = bots.change(bot.id(), form);
        assertThat(changed instanceof Checked.Bad<Bot>(Map<String, String> errors) ? errors.keySet() : changed)
                .isEqualTo(Set.of(field));
    }

    @Test
    void hoursReachTheReleaseAndTellWhetherItIsOpen() {
        Bot bot = data.bot();
        Manner manner = new Manner("", "", BotForm.hours(Map.of("monday", " 09:00 – 17:00 ", "sunday", "")), "en", 0);
        Bot changed = TestData.good(bots.change(bot.id(), new BotForm("X", bot.slug(), "", "GB", "UTC", manner)));
        var profile = bots.draftRelease(changed).profile();
        assertThat(profile.openAt(java.time.LocalDateTime.of(2026, 11, 23, 9, 0)))
                .isTrue();
        assertThat(profile.openAt(java.time.LocalDateTime.of(2026, 11, 23, 17, 0)))
                .isFalse();
        assertThat(profile.openAt(java.time.LocalDateTime.of(2026, 11, 22, 12, 0)))
                .isFalse();
    }
}
