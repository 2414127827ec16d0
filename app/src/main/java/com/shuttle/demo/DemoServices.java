package com.shuttle.demo;

import com.shuttle.core.service.Kind;
import com.shuttle.core.service.Service;
import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import com.shuttle.notices.MailServerSettings;
import com.shuttle.notices.MailService;
import com.shuttle.services.Catalogue;
import com.shuttle.services.NewConnection;
import com.shuttle.standins.CourseBookings;
import com.shuttle.standins.CustomerRecords;
import com.shuttle.standins.IdentityCheck;
import com.shuttle.standins.LoanStock;
import com.shuttle.web.Checked;
import java.io.IOException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.util.FileSystemUtils;

/** The demo's services: what its bots may ask of the stand-ins. */
@Component
@ConditionalOnProperty("shuttle.demo")
class DemoServices {

    private static final String MAIL_HOST = "localhost";

    private final Catalogue catalogue;
    private final MailService mail;
    private final StandIns standIns;

    DemoServices(Catalogue catalogue, MailService mail, StandIns standIns) {
        this.catalogue = catalogue;
        this.mail = mail;
        this.standIns = standIns;
    }

    /** The stand-ins keep what they are told beside the demo's data. @param anew whether they were told nothing yet */
    void remember(Path data, boolean anew) throws IOException {
        Path folder = data.resolve("stand-ins");
        if (anew) {
            FileSystemUtils.deleteRecursively(folder);
        }
        standIns.keepIn(folder);
    }

    /** Sends mail to the stand-in at the port it has got this time, unless somebody has set another server. */
    void reachMail() {
        MailServerSettings now = mail.settings();
        if (!now.there() || now.host().equals(MAIL_HOST)) {
            mail.set(new MailServerSettings(
                    MAIL_HOST,
                    standIns.mail().port(),
                    MailServerSettings.Protection.NONE,
                    "",
                    "",
                    "bots@tarnfell.example",
                    "Tarnfell Observatory"));
        }
    }

    /** Makes and publishes them. @return their ids, by name */
    Map<String, String> make(String account) {
        String records = connection(
                "Customer records", StandIns.address(StandIns.RECORDS_HOST), "header", "X-Key", CustomerRecords.KEY);
        String courses = connection(
                "Course bookings",
                StandIns.address(StandIns.COURSES_HOST),
                "oauth",
                CourseBookings.CLIENT,
                CourseBookings.SECRET);
        String stock = connection(
                "Loan stock", StandIns.address(StandIns.STOCK_HOST), "basic", LoanStock.NAME, LoanStock.PASSWORD);
        String identity = connection(
                "Identity check", StandIns.address(StandIns.IDENTITY_HOST), "query", "key", IdentityCheck.KEY);
        Map<String, String> ids = new LinkedHashMap<>();
        for (Map.Entry<Service, String> one : Map.of(
                        customer(),
                        records,
                        places(),
                        courses,
                        lend(),
                        stock,
                        code(),
                        identity,
                        checked(),
                        identity,
                        link(),
                        identity)
                .entrySet()) {
            String id = catalogue.add(one.getKey(), one.getValue());
            if (catalogue.publish(id, account) instanceof Checked.Bad<Integer> bad) {
                throw new IllegalStateException("the demo's service lacks something: " + bad.errors());
            }
            ids.put(one.getKey().name(), id);
        }
        return ids;
    }

    private String connection(String name, String address, String kind, String who, String secret) {
        NewConnection wanted = new NewConnection(name, address, kind, who, "/token", secret);
        if (catalogue.connect(wanted) instanceof Checked.Good<String>(String id)) {
            return id;
        }
        throw new IllegalStateException("the demo's connection " + name + " could not be made");
    }

    private static Service customer() {
        return new Service(
                "Keep a customer",
                "makes one in the records, and says where there is one with this email already",
                List.of(
                        input("name", "Ada Mill"),
                        input("email", "ada@mill.example"),
                        optional("phone"),
                        optional("company"),
                        optional("note")),
                new Request("POST", "/customers", List.of(), BodyForm.JSON, """
                        {
                          "name": {{name}},
                          "email": {{email}},
                          "phone": {{phone}},
                          "company": {{company}},
                          "note": {{note}}
                        }"""),
                List.of(new Output("number", Kind.TEXT, "/number", "C-1001")),
                List.of(
                        new Result("made", "made", "201", "", ""),
                        new Result("there_already", "there already", "409", "", "")),
                new Care(8, 3, true));
    }

    private static Service places() {
        return new Service(
                "Book places of a course",
                "few places; says when it is full",
                List.of(
                        input("course", "reading-the-sky"),
                        input("name", "Ada Mill"),
                        input("email", "ada@mill.example"),
                        new Input("places", Kind.NUMBER, true, "1")),
                new Request("POST", "/courses/{{course}}/places", List.of(), BodyForm.JSON, """
                        {
                          "name": {{name}},
                          "email": {{email}},
                          "places": {{places}}
                        }"""),
                List.of(
                        new Output("reference", Kind.TEXT, "/reference", "K-301"),
                        new Output("left", Kind.NUMBER, "/left", "3")),
                List.of(
                        new Result("booked", "booked", "201", "/state", "booked"),
                        new Result("full", "full", "409", "", "")),
                new Care(8, 3, true));
    }

    private static Service lend() {
        return new Service(
                "Lend a telescope",
                "reserves one of the stock",
                List.of(
                        input("model", "Lapwing 130"),
                        input("email", "ada@mill.example"),
                        new Input("from", Kind.DATE, true, "2027-03-01")),
                new Request(
                        "POST",
                        "/loans",
                        List.of(),
                        BodyForm.FORM,
                        "model={{model}}\nemail={{email}}\nfrom={{from}}\n"),
                List.of(new Output("reference", Kind.TEXT, "/reference", "L-501")),
                List.of(
                        new Result("lent", "lent", "200", "/state", "lent"),
                        new Result("none_free", "none free", "200", "/state", "none free")),
                new Care(8, 3, true));
    }

    private static Service code() {
        return new Service(
                "Send a code",
                "mails a code of six figures",
                List.of(input("email", "ada@mill.example")),
                new Request("POST", "/codes", List.of(), BodyForm.JSON, "{ \"email\": {{email}} }"),
                List.of(new Output("check", Kind.TEXT, "/check", "Q1")),
                List.of(new Result("sent", "sent", "201", "", "")),
                new Care(8, 3, true));
    }

    private static Service checked() {
        return new Service(
                "Check a code",
                "tells whether a code is the one that was mailed",
                List.of(input("check", "Q1"), input("code", "123456")),
                new Request("POST", "/codes/{{check}}", List.of(), BodyForm.JSON, "{ \"code\": {{code}} }"),
                List.of(),
                List.of(
                        new Result("right", "right", "200", "/state", "right"),
                        new Result("wrong", "wrong", "200", "/state", "wrong"),
                        new Result("over", "tried too often", "200", "/state", "over")),
                new Care(8, 1, false));
    }

    private static Service link() {
        return new Service(
                "Ask by a link",
                "mails a link, and tells an address of ours whether it was they",
                List.of(input("email", "ada@mill.example"), input("callback", "https://bots.example/signal/…")),
                new Request(
                        "POST",
                        "/confirmations",
                        List.of(),
                        BodyForm.JSON,
                        "{ \"email\": {{email}}, \"callback\": {{callback}} }"),
                List.of(),
                List.of(new Result("sent", "sent", "201", "", "")),
                new Care(8, 3, true));
    }

    private static Input input(String key, String example) {
        return new Input(key, Kind.TEXT, true, example);
    }

    private static Input optional(String key) {
        return new Input(key, Kind.TEXT, false, "");
    }
}
