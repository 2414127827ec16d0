package com.shuttle.studio;

import com.shuttle.appointments.Diaries;
import com.shuttle.appointments.Kind;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.core.flow.shape.Form;
import com.shuttle.core.flow.shape.Forms;
import com.shuttle.core.service.Service;
import com.shuttle.core.table.Column;
import com.shuttle.knowledge.KnowledgeCollection;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.leads.LeadField;
import com.shuttle.leads.LeadSetUp;
import com.shuttle.scorecards.Scorecards;
import com.shuttle.scorecards.StoredCard;
import com.shuttle.services.Catalogue;
import com.shuttle.services.StoredService;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Team;
import com.shuttle.tables.StoredTable;
import com.shuttle.tables.TableService;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.springframework.stereotype.Component;

/** What steps may refer to outside their flow, by what it is (see {@link Forms#reference}). Thread-safe. */
@Component
class References {

    private final AccountService accounts;
    private final TableService tables;
    private final Catalogue services;
    private final Diaries diaries;
    private final KnowledgeService knowledge;
    private final Scorecards cards;
    private final LeadSetUp leads;

    References(
            AccountService accounts,
            TableService tables,
            Catalogue services,
            Diaries diaries,
            KnowledgeService knowledge,
            Scorecards cards,
            LeadSetUp leads) {
        this.knowledge = knowledge;
        this.cards = cards;
        this.leads = leads;
        this.accounts = accounts;
        this.tables = tables;
        this.services = services;
        this.diaries = diaries;
    }

    /** By "team", "table", "collection", "service", "appointment", "scorecard", "lead_field", and "band of" a scorecard's id, "column of" a table's id, "input of", "output of" and "result of" a service's. */
    Map<String, List<Form.Value>> all() {
        Map<String, List<Form.Value>> all = new HashMap<>();
        all.put("team", named(accounts.teams(), Team::id, Team::name));
        List<StoredTable> known = tables.all();
        all.put("table", named(known, StoredTable::id, StoredTable::name));
        known.forEach(table -> all.put("column of " + table.id(), named(table.columns(), Column::key, Column::name)));
        all.put("collection", named(knowledge.collections(), KnowledgeCollection::id, KnowledgeCollection::name));
        all.put("appointment", named(diaries.kinds(), Kind::id, Kind::name));
        List<StoredCard> scorecards = cards.all();
        all.put("scorecard", named(scorecards, StoredCard::id, StoredCard::name));
        scorecards.forEach(one ->
                all.put("band of " + one.id(), named(one.card().bands(), Scorecard.Band::id, Scorecard.Band::name)));
        all.put("lead_field", named(leads.fields(), LeadField::id, LeadField::name));
        List<StoredService> published = services.published();
        all.put(
                "service",
                named(published, StoredService::id, one -> one.draft().name()));
        for (StoredService one : published) {
            Service service = one.published();
            if (service != null) {
                all.put("input of " + one.id(), named(service.inputs(), Service.Input::key, Service.Input::key));
                all.put("output of " + one.id(), named(service.outputs(), Service.Output::key, Service.Output::key));
                all.put("result of " + one.id(), named(service.results(), Service.Result::key, Service.Result::name));
            }
        }
        return all;
    }

    private static <T> List<Form.Value> named(List<T> things, Function<T, String> id, Function<T, String> name) {
        return things.stream()
                .map(thing -> new Form.Value(id.apply(thing), name.apply(thing)))
                .toList();
    }
}
