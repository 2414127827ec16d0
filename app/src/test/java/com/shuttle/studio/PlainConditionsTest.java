package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

@ServerTest
class PlainConditionsTest {

    private static final Flow FLOW = TestData.flow(
            "main",
            "{'kind':'branch','id':'b','rules':[{'id':'r1','name':'Many','when':''}],'exits':{'otherwise':'end'}},"
                    + "{'kind':'message','id':'m','say':['Hello.'],'exits':{'next':'end'}}");

    private final TestData data;
    private final PlainConditions conditions;

    PlainConditionsTest(TestData data, PlainConditions conditions) {
        this.data = data;
        this.conditions = conditions;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "b|rules.r1.when|sailors is more than 4|sailors > 4",
                "b|rules.r1.when|sailors > 4|sailors > 4",
                "b|rules.r1.when|whenever the wind is right|whenever the wind is right",
                "m|text.0|sailors is more than 4|sailors is more than 4",
            })
    void plainWordsBecomeAnExpressionInConditionsAndNowhereElse(
            String step, String field, String typed, String written) {
        Bot bot = data.bot();
        data.bots.putFlow(bot.id(), FLOW, "test", null);
        TestData.good(data.variables.declare(
                bot.id(), new Variable("sailors", ValueType.NUMBER, Variable.Origin.CONVERSATION, "")));
        assertThat(conditions.written(bot.id(), FLOW, new Edit.Set(step, field, typed)))
                .isEqualTo(new Edit.Set(step, field, written));
    }
}
