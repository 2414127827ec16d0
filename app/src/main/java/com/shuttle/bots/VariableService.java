package com.shuttle.bots;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.expression.Expressions;
import com.shuttle.core.flow.Variable;
import com.shuttle.web.Checked;
import com.shuttle.web.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.interceptor.TransactionAspectSupport;

/** The variables of bots: what is declared of them, and what they are called in every flow. Thread-safe. */
@Service
public class VariableService {

    private final BotService bots;
    private final BotStore store;
    private final FlowEdits edits;

    VariableService(BotService bots, BotStore store, FlowEdits edits) {
        this.bots = bots;
        this.store = store;
        this.edits = edits;
    }

    /** Declares a variable, or changes one that is declared. */
    @Transactional
    public Checked<Bot> declare(String id, Variable variable) {
        Bot bot = bots.locked(id);
        boolean fit = variable.name().matches("[a-z][a-z0-9_]{0,63}");
        Optional<Checked<Bot>> bad = new Checked.Errors()
                .require(
                        fit,
                        "variable",
                        "A variable's name begins with a letter and has only letters, digits and _ in it.")
                .require(
                        !Expressions.SYSTEM.containsKey(variable.name()),
                        "variable",
                        "This name belongs to a variable of the system.")
                .fits(variable.note(), Length.VARIABLE_NOTE, "note")
                .bad();
        if (bad.isPresent()) {
            return bad.get();
        }
        List<Variable> variables = new ArrayList<>(bot.variables());
        variables.removeIf(other -> other.name().equals(variable.name()));
        variables.add(variable);
        variables.sort(Comparator.comparing(Variable::name));
        return Checked.good(kept(bot, variables));
    }

    /** Takes a declaration back; what steps fill is still a variable. */
    @Transactional
    public void undeclare(String id, String name) {
        Bot bot = bots.locked(id);
        kept(bot, bot.variables().stream().filter(v -> !v.name().equals(name)).toList());
    }

    /** Gives a variable another name in the declarations and in every flow, or nowhere. */
    @Transactional
    public Checked<Bot> rename(String id, String from, String to, @Nullable String account) {
        Bot bot = bots.locked(id);
        String name = to.strip().toLowerCase(Locale.ROOT);
        boolean taken = bots.draftRelease(bot).variables().stream()
                        .anyMatch(v -> v.name().equals(name))
                || store.drafts(id).stream().anyMatch(d -> d.flow().variables().containsKey(name));
        if (taken || Expressions.SYSTEM.containsKey(name)) {
            return Checked.bad("to", "There is a variable " + name + " already.");
        }
        if (edits.everywhere(id, new Edit.RenameVariable(from, name), account)
                instanceof FlowEdits.Refused(String why)) {
            TransactionAspectSupport.currentTransactionStatus().setRollbackOnly();
            return Checked.bad("to", why);
        }
        List<Variable> variables = bot.variables().stream()
                .map(v -> v.name().equals(from) ? new Variable(name, v.type(), v.origin(), v.note()) : v)
                .toList();
        return Checked.good(kept(bot, variables));
    }

    private Bot kept(Bot bot, List<Variable> variables) {
        Bot changed = bot.with(variables, bot.standing());
        store.update(changed);
        return changed;
    }
}
