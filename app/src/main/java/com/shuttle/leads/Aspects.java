package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.leads.Aspect.Sort;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Listing.Option;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What leads can be singled out by, as things stand. Thread-safe. */
@Component
class Aspects {

    private final LeadSetUp setUp;
    private final AccountService accounts;
    private final BotService bots;
    private final LeadSearchStore search;

    Aspects(LeadSetUp setUp, AccountService accounts, BotService bots, LeadSearchStore search) {
        this.setUp = setUp;
        this.accounts = accounts;
        this.bots = bots;
        this.search = search;
    }

    List<Aspect> all() {
        List<Aspect> all = new ArrayList<>(List.of(
                choice("state", "State", Option.of(setUp.states(), LeadState::id, LeadState::name)),
                choice("band", "Band", Option.of(search.bands())),
                new Aspect("points", "Points", Sort.NUMBER, List.of()),
                choice("owner", "Owner", Option.of(accounts.accounts(), Account::id, Account::name)),
                choice("milestone", "Milestone reached", Option.of(search.milestones())),
                choice("bot", "Met by", Option.of(bots.bots(), Bot::id, Bot::name)),
                new Aspect("worth", "Worth", Sort.NUMBER, List.of()),
                new Aspect("made", "A lead since", Sort.DATE, List.of()),
                new Aspect("last", "Last heard", Sort.DATE, List.of()),
                new Aspect("consent", "Agrees to mail", Sort.FLAG, List.of()),
                new Aspect("task", "An open task", Sort.FLAG, List.of()),
                new Aspect("booked", "An appointment to come", Sort.FLAG, List.of()),
                text("tags", "Tag"),
                text("name", "Name"),
                text("email", "Email"),
                text("phone", "Phone"),
                text("company", "Company"),
                text("channel", "Channel"),
                text("page", "Page"),
                text("campaign", "Campaign"),
                new Aspect("conversations", "Conversations", Sort.NUMBER, List.of())));
        for (LeadField field : setUp.own()) {
            Sort sort = switch (field.kind()) {
                case NUMBER -> Sort.NUMBER;
                case DATE -> Sort.DATE;
                case YES_NO, TEXT, EMAIL, PHONE -> Sort.TEXT;
            };
            all.add(new Aspect("field:" + field.id(), field.name(), sort, List.of()));
        }
        return all;
    }

    private static Aspect choice(String key, String label, List<Option> options) {
        return new Aspect(key, label, Sort.CHOICE, options);
    }

    private static Aspect text(String key, String label) {
        return new Aspect(key, label, Sort.TEXT, List.of());
    }

    /** A segment in words: "State is New and Points is at least 20". */
    String words(Segment segment) {
        if (segment.everybody()) {
            return "everybody";
        }
        List<Aspect> all = all();
        return String.join(
                segment.anyOf() ? " or " : " and ",
                segment.terms().stream().map(term -> words(term, all)).toList());
    }

    private static String words(Segment.Term term, List<Aspect> all) {
        Optional<Aspect> aspect =
                all.stream().filter(one -> one.key().equals(term.field())).findFirst();
        String label = aspect.map(Aspect::label).orElse("something that is gone");
        String value = aspect.stream()
                .flatMap(one -> one.options().stream())
                .filter(option -> option.value().equals(term.value()))
                .map(Option::words)
                .findFirst()
                .orElse(term.value());
        return switch (term.how()) {
            case WITHIN -> label + " in the last " + value + " days";
            case BEFORE -> label + " longer ago than " + value + " days";
            case IS, IS_NOT, HAS, AT_LEAST, AT_MOST, FILLED, EMPTY ->
                label + " " + term.how().label() + (term.how().compares() ? " " + value : "");
        };
    }
}
