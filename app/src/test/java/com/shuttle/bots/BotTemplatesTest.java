package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Unfinished;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Branch;
import com.shuttle.core.flow.Branches;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Target;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

@ServerTest
class BotTemplatesTest {

    private final TestData data;
    private final BotTemplates templates;
    private final BotService bots;

    BotTemplatesTest(TestData data, BotTemplates templates, BotService bots) {
        this.data = data;
        this.templates = templates;
        this.bots = bots;
    }

    private Bot made(String template) {
        return TestData.good(templates.make(template, data.name("From " + template), "GB", null));
    }

    private Flow flow(Bot bot) {
        return bots.draft(bot.id(), "main").flow();
    }

    /** Each is whole: every step can be reached, every expected exit leads somewhere, every rule can be evaluated. */
    @Test
    void everyTemplateIsComplete() {
        assertThat(templates.list()).hasSizeGreaterThanOrEqualTo(4);
        for (BotTemplates.Template template : templates.list()) {
            Bot bot = made(template.id());
            Flow flow = flow(bot);
            Set<String> reached = new HashSet<>();
            Deque<String> ahead = new ArrayDeque<>(Set.of(flow.firstStep().id()));
            while (!ahead.isEmpty()) {
                String id = ahead.pop();
                if (reached.add(id)) {
                    flow.findStep(id).orElseThrow().exits().values().forEach(target -> {
                        if (target instanceof Target.ToStep(String to)) {
                            ahead.push(to);
                        }
                    });
                }
            }
            Expressions expressions = new Expressions(new Playbook(bots.draftRelease(bot)).variables());
            for (Step step : flow.allSteps()) {
                assertThat(reached)
                        .as("%s reaches %s", template.id(), step.id())
                        .contains(step.id());
                step.slots().stream()
                        .filter(slot -> slot.usual() && !(step instanceof Step.GoTo))
                        .forEach(slot -> assertThat(step.exit(slot.id()))
                                .as("%s: %s of %s", template.id(), slot.id(), step.id())
                                .isNotNull());
                if (step instanceof Branch branch) {
                    for (Branches.Rule rule : branch.rules()) {
                        assertThat(expressions.problemOfCondition(rule.when()))
                                .as("%s: %s", template.id(), rule.when())
                                .isNull();
                    }
                }
            }
        }
    }

    @Test
    void itsBlanksAreListedUntilTheyAreFilledIn() {
        Bot bot = made("feedback");
        int blanks = templates.blanks(bot.id()).size();
        assertThat(blanks).isGreaterThan(1);
        Unfinished.Place first = templates.blanks(bot.id()).getFirst();
        assertThat(first.what()).isEqualTo("what they came for");
        bots.edit(bot.id(), first.flow(), new Edit.Replace("‹what they came for›", "your visit", true), null);
        assertThat(templates.blanks(bot.id())).hasSize(blanks - 1);
    }

    /** They name nobody and no place: what belongs to an organisation is a blank. */
    @Test
    void theirWordingIsNeutral() {
        Pattern named = Pattern.compile("(?i)tarnfell|observatory|telescope|vesper");
        for (BotTemplates.Template template : templates.list()) {
            flow(made(template.id()))
                    .allSteps()
                    .forEach(step ->
                            assertThat(String.join(" ", step.wordings())).doesNotContainPattern(named));
        }
    }

    @Test
    void withoutATemplateItIsBlank() {
        assertThat(flow(made("")).allSteps()).isEmpty();
        assertThat(flow(made("no-such")).allSteps()).isEmpty();
    }
}
