package com.shuttle.bots;

import com.shuttle.AtOnce;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.web.Merge;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two designers at one bot. */
@ServerTest
class BotsAtOnceTest {

    private final TestData data;
    private final BotForms forms;
    private final FlowEdits edits;

    BotsAtOnceTest(TestData data, BotForms forms, FlowEdits edits) {
        this.data = data;
        this.forms = forms;
        this.edits = edits;
    }

    private String bot() {
        Bot bot = TestData.good(data.bots.create("Ferry", "GB", null));
        data.bots.putFlow(
                bot.id(), TestData.flow("main", "{'kind':'message','id':'m','say':['{{guests}} of us.']}"), "t", null);
        data.bots.addFlow(
                bot.id(), TestData.flow("second", "{'kind':'message','id':'m','say':['For {{guests}}.']}"), "t", null);
        TestData.good(data.variables.declare(bot.id(), variable("guests")));
        return bot.id();
    }

    private static Variable variable(String name) {
        return new Variable(name, ValueType.NUMBER, Variable.Origin.CONVERSATION, "");
    }

    private Object state(String id) {
        Bot bot = data.bots.bot(id);
        return List.of(
                bot.name(),
                bot.description(),
                bot.variables(),
                bot.manner(),
                bot.standing(),
                data.bots.drafts(id).stream().map(Draft::flow).toList());
    }

    /** A form as a browser sends it that opened the page now. */
    private static Map<String, String> form(Map<String, String> shown, String field, String value) {
        Map<String, String> form = new HashMap<>(shown);
        form.put(field, value);
        form.put(Merge.WAS, Merge.written(shown));
        return form;
    }

    private AtOnce.Action profile(String id, String field, String value) {
        Map<String, String> form = form(ProfileForm.fields(data.bots.bot(id)), field, value);
        return () -> forms.profile(id, form).getClass();
    }

    private AtOnce.Action manners(String id, String field, String value) {
        Map<String, String> form = form(MannersForm.fields(data.bots.bot(id)), field, value);
        return () -> forms.manners(id, form).getClass();
    }

    @Test
    void whatTwoDoAtOnceIsWhatTheyDoInTurn() throws Exception {
        new AtOnce<>(this::bot, this::state)
                .can("describes it", id -> profile(id, "description", "Over the water"))
                .can("sets its hours", id -> profile(id, "hours-monday", "09:00-12:00"))
                .can("lets it type", id -> manners(id, "letters", "40"))
                .can("words what it does not know", id -> manners(id, "not_found-say", "Ask at the pier."))
                .can(
                        "declares a variable",
                        id -> () -> data.variables.declare(id, variable("tide")).getClass())
                .can(
                        "declares another",
                        id -> () -> data.variables.declare(id, variable("wind")).getClass())
                .can("takes one back", id -> () -> {
                    data.variables.undeclare(id, "guests");
                    return "";
                })
                .can(
                        "renames one",
                        id -> () -> data.variables
                                .rename(id, "guests", "party", null)
                                .getClass())
                .can(
                        "replaces a text",
                        id -> () -> edits.everywhere(id, new Edit.Replace("of us", "of you", true), null))
                .check();
    }
}
