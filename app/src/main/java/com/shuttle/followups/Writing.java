package com.shuttle.followups;

import com.shuttle.chat.ReturnLinks;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import com.shuttle.followups.FollowUp.Stage;
import com.shuttle.leads.LeadField;
import com.shuttle.leads.LeadService;
import com.shuttle.leads.LeadSetUp;
import com.shuttle.leads.Person;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.web.PublicAddress;
import com.shuttle.web.Vault;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The words of follow-ups, filled for somebody. Thread-safe. */
@Component
class Writing {

    private final LeadService leads;
    private final LeadSetUp setUp;
    private final AccountService accounts;
    private final ReturnLinks continuing;
    private final Vault vault;
    private final PublicAddress address;

    Writing(
            LeadService leads,
            LeadSetUp setUp,
            AccountService accounts,
            ReturnLinks continuing,
            Vault vault,
            PublicAddress address) {
        this.leads = leads;
        this.setUp = setUp;
        this.accounts = accounts;
        this.continuing = continuing;
        this.vault = vault;
        this.address = address;
    }

    /** A stage's words for somebody. */
    record Written(String subject, String text) {}

    /** @param conversation that it is about; empty for none */
    Written of(Stage stage, Person person, String conversation) {
        Texts.Known known = known(person, conversation);
        String subject = Texts.unescaped(Texts.fill(stage.subject(), known)).strip();
        String text = Texts.fill(stage.text(), known);
        return new Written(
                subject.isEmpty() ? "A word from us" : subject,
                stage.mail()
                        ? text + "\n\n[No more mails like this](" + address.of(stopPath(person.id())) + ")"
                        : text);
    }

    /** The names that placeholders can have. */
    String names() {
        StringBuilder names = new StringBuilder("name, name.first, email, phone, company, owner, band, link");
        setUp.own().forEach(field -> names.append(", ").append(field.id()));
        return names.toString();
    }

    private Texts.Known known(Person person, String conversation) {
        Map<String, Value> values = new LinkedHashMap<>();
        Map<String, ValueType> types = new LinkedHashMap<>();
        put(values, "name", person.name());
        types.put("name", ValueType.PERSON_NAME);
        put(values, "email", person.email());
        put(values, "phone", person.phone());
        put(values, "company", person.company());
        put(values, "band", person.band());
        put(values, "owner", accounts.account(person.owner()).map(Account::name).orElse(""));
        Map<String, String> own = leads.fields(person.id());
        for (LeadField field : setUp.own()) {
            String content = own.getOrDefault(field.id(), "");
            if (field.kind() == LeadField.Kind.DATE && !content.isEmpty()) {
                values.put(field.id(), day(content));
            } else {
                put(values, field.id(), content);
            }
        }
        if (!conversation.isEmpty()) {
            values.put("link", new Value.Text(address.of(continuing.path(conversation))));
        }
        return new Texts.Known(values, types, Map.of(), "");
    }

    private static void put(Map<String, Value> values, String name, String content) {
        if (!content.isEmpty()) {
            values.put(name, new Value.Text(content));
        }
    }

    private static Value day(String content) {
        try {
            return new Value.Day(LocalDate.parse(content));
        } catch (DateTimeParseException none) {
            return new Value.Text(content);
        }
    }

    /** The path at which somebody ends mails to them. */
    String stopPath(String person) {
        return "/stop/" + person + "/" + vault.sign("stop " + person);
    }

    /** Whether a path's signature is right. */
    boolean stops(String person, String signature) {
        return vault.signed("stop " + person, signature);
    }
}
