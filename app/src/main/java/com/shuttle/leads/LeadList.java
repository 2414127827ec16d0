package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.leads.LeadColumns.Of;
import com.shuttle.leads.LeadColumns.Row;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Listing.Option;
import com.shuttle.web.Page;
import com.shuttle.web.Wanted;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** The list of leads as it is asked for. Thread-safe. */
@Component
public class LeadList {

    private final LeadSearchStore search;
    private final LeadColumns columns;
    private final LeadSetUp setUp;
    private final Segments segments;
    private final AccountService accounts;
    private final BotService bots;

    LeadList(
            LeadSearchStore search,
            LeadColumns columns,
            LeadSetUp setUp,
            Segments segments,
            AccountService accounts,
            BotService bots) {
        this.search = search;
        this.columns = columns;
        this.setUp = setUp;
        this.segments = segments;
        this.accounts = accounts;
        this.bots = bots;
    }

    /** The segment that a list is narrowed to; everybody where there is none of that id any more. */
    Segment segment(Wanted wanted) {
        return segments.find(wanted.filter("segment")).orElse(Segment.EVERYBODY);
    }

    /** @param wanted filtered by {@code segment}, {@code state}, {@code band}, {@code owner} and {@code bot} */
    public Page<Person> page(Wanted wanted) {
        return search.list(wanted, segment(wanted));
    }

    /** Ids of all that are asked for. */
    List<String> ids(Wanted wanted) {
        return search.ids(wanted, segment(wanted));
    }

    /** The latest leads of a segment; of everybody for an empty id. */
    public List<Person> some(String segment) {
        return page(new Wanted("", Map.of("segment", segment), "", 1)).items();
    }

    /** Names of the milestones that were reached. */
    public List<String> milestones() {
        return search.milestones();
    }

    boolean any() {
        return search.any();
    }

    List<Row> rows(List<Person> people) {
        return columns.rows(people, botNames());
    }

    Map<String, String> botNames() {
        return bots.bots().stream().collect(Collectors.toMap(Bot::id, Bot::name));
    }

    Listing<Row> listing(Wanted wanted, List<Of> chosen) {
        Page<Person> page = page(wanted);
        List<Column> heads = new ArrayList<>(List.of(Column.sorted("Name", "name")));
        chosen.forEach(one -> heads.add(one.column()));
        Page<Row> rows = new Page<>(rows(page.items()), page.number(), page.pages(), page.total());
        return Listing.of("/leads", wanted, rows)
                .searched("Search name, email, phone, company")
                .filter("segment", "Segment", "everybody", Option.of(segments.all(), Segment::id, Segment::name))
                .filter("state", "State", "every state", Option.of(setUp.states(), LeadState::id, LeadState::name))
                .filter("band", "Band", "every band", Option.of(search.bands()))
                .filter("owner", "Owner", "every owner", owners())
                .filter("bot", "Bot", "every bot", Option.of(bots.bots(), Bot::id, Bot::name))
                .ticked("/leads/many")
                .columns(heads.toArray(Column[]::new));
    }

    private List<Option> owners() {
        List<Option> all = new ArrayList<>(List.of(new Option("-", "nobody's")));
        all.addAll(Option.of(accounts.accounts(), Account::id, Account::name));
        return all;
    }
}
