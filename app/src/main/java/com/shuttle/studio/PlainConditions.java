package com.shuttle.studio;

import com.shuttle.appointments.Diaries;
import com.shuttle.appointments.Kind;
import com.shuttle.bots.BotService;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.expression.PlainWords;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.ValueType;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Team;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Conditions that are written in plain words, wherever a condition may be written. Thread-safe. */
@Component
class PlainConditions {

    private final BotService bots;
    private final AccountService accounts;
    private final Diaries diaries;

    PlainConditions(BotService bots, AccountService accounts, Diaries diaries) {
        this.bots = bots;
        this.accounts = accounts;
        this.diaries = diaries;
    }

    /** What conditions of a bot may name. @param types of every variable, the system ones too */
    record Known(Expressions expressions, Map<String, ValueType> types, PlainWords.Names names) {

        /** A condition that was written in plain words; empty for one that is an expression already, or neither. */
        Optional<String> written(String words) {
            return !words.isBlank()
                            && expressions.problemOfCondition(words) != null
                            && PlainWords.read(words, types, names) instanceof PlainWords.Result.Read read
                    ? Optional.of(read.rules().text(types))
                    : Optional.empty();
        }
    }

    Known known(String bot) {
        Playbook playbook = new Playbook(bots.draftRelease(bots.bot(bot)));
        Map<String, ValueType> types = new HashMap<>(playbook.variables());
        types.putAll(Expressions.SYSTEM);
        PlainWords.Names names = new PlainWords.Names(
                accounts.teams().stream().map(Team::name).toList(),
                diaries.kinds().stream().map(Kind::name).toList());
        return new Known(playbook.expressions(), types, names);
    }

    /** An edit that sets a condition, as it is to be made; most are as they are. */
    Edit written(String bot, Flow flow, Edit edit) {
        return edit instanceof Edit.Set set
                        && flow.findStep(set.step())
                                .filter(step -> FlowEditor.isCondition(step, set.field()))
                                .isPresent()
                ? known(bot)
                        .written(set.value())
                        .<Edit>map(text -> new Edit.Set(set.step(), set.field(), text, set.was()))
                        .orElse(edit)
                : edit;
    }
}
