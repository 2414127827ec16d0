package com.shuttle.leads;

import com.shuttle.exchange.Sheets;
import com.shuttle.leads.LeadColumns.Of;
import com.shuttle.leads.LeadColumns.Row;
import com.shuttle.web.Csv;
import com.shuttle.web.Formulas;
import com.shuttle.web.Page;
import com.shuttle.web.Saved;
import com.shuttle.web.Wanted;
import ezvcard.Ezvcard;
import ezvcard.VCard;
import ezvcard.VCardVersion;
import ezvcard.property.StructuredName;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Leads as files: CSV and XLSX with every column, vCard 4.0 (RFC 6350). Thread-safe. */
@Component
class LeadFiles {

    /** Leads in a sheet or a file of cards. */
    private static final int MOST = 50_000;

    private final LeadList list;
    private final LeadColumns columns;

    LeadFiles(LeadList list, LeadColumns columns) {
        this.list = list;
        this.columns = columns;
    }

    ResponseEntity<StreamingResponseBody> csv(Wanted wanted) {
        List<Of> all = columns.all();
        IntFunction<Page<Row>> pages = number -> {
            Page<Person> page = list.page(wanted.at(number));
            return new Page<>(list.rows(page.items()), page.number(), page.pages(), page.total());
        };
        return Csv.saved("Leads.csv", header(all), pages, row -> cells(row, all));
    }

    ResponseEntity<StreamingResponseBody> xlsx(Wanted wanted) {
        List<Of> all = columns.all();
        return Saved.as("Leads.xlsx", "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet", out -> {
            List<List<String>> lines = new ArrayList<>(List.of(header(all)));
            for (Person person : people(wanted)) {
                lines.add(cells(list.rows(List.of(person)).getFirst(), all).stream()
                        .map(Formulas::told)
                        .toList());
            }
            Sheets.writeXlsx("Leads", lines, out);
        });
    }

    ResponseEntity<StreamingResponseBody> cards(Wanted wanted) {
        return Saved.as(
                "Leads.vcf",
                "text/vcard; charset=UTF-8",
                out -> out.write(Ezvcard.write(
                                people(wanted).stream().map(LeadFiles::card).toList())
                        .version(VCardVersion.V4_0)
                        .prodId(false)
                        .go()
                        .getBytes(StandardCharsets.UTF_8)));
    }

    private List<Person> people(Wanted wanted) {
        List<Person> all = new ArrayList<>();
        Page<Person> page = list.page(wanted.at(1));
        all.addAll(page.items());
        for (int number = 2; number <= page.pages() && all.size() < MOST; number++) {
            all.addAll(list.page(wanted.at(number)).items());
        }
        return all;
    }

    /** One lead's card. The library folds and escapes what people wrote. */
    static VCard card(Person person) {
        VCard card = new VCard(VCardVersion.V4_0);
        card.setFormattedName(person.called());
        StructuredName name = new StructuredName();
        int last = person.name().lastIndexOf(' ');
        name.setGiven(last < 0 ? person.name() : person.name().substring(0, last));
        name.setFamily(last < 0 ? null : person.name().substring(last + 1));
        card.setStructuredName(name);
        if (!person.email().isEmpty()) {
            card.addEmail(person.email());
        }
        if (!person.phone().isEmpty()) {
            card.addTelephoneNumber(person.phone());
        }
        if (!person.company().isEmpty()) {
            card.setOrganization(person.company());
        }
        if (!person.tags().isEmpty()) {
            card.setCategories(person.tags().toArray(String[]::new));
        }
        return card;
    }

    private static List<String> header(List<Of> all) {
        List<String> header = new ArrayList<>(List.of("Name"));
        all.forEach(one -> header.add(one.column().label()));
        return header;
    }

    private static List<String> cells(Row row, List<Of> all) {
        List<String> cells = new ArrayList<>(List.of(row.person().name()));
        cells.addAll(row.cells(all));
        return cells;
    }
}
