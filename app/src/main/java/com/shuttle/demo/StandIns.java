package com.shuttle.demo;

import com.shuttle.standins.BusyCalendarStandIn;
import com.shuttle.standins.CourseBookings;
import com.shuttle.standins.CustomerRecords;
import com.shuttle.standins.HttpStandIn;
import com.shuttle.standins.IdentityCheck;
import com.shuttle.standins.LoanStock;
import com.shuttle.standins.MailPage;
import com.shuttle.standins.MailServer;
import com.shuttle.standins.ModelServer;
import com.shuttle.standins.ObservatorySite;
import com.shuttle.standins.Phone;
import com.shuttle.web.Outgoing;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.BindException;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The stand-ins for outside services that run with the demo, each at a made-up host. */
@Component
@ConditionalOnProperty("shuttle.demo")
public class StandIns {

    /** Where Shuttle finds them. */
    static final String MODEL_HOST = "model.stand-in";

    static final String RECORDS_HOST = "records.stand-in";
    static final String COURSES_HOST = "courses.stand-in";
    static final String STOCK_HOST = "stock.stand-in";
    static final String IDENTITY_HOST = "identity.stand-in";
    static final String CALENDAR_HOST = "calendar.stand-in";
    static final String PHONE_HOST = "phone.stand-in";

    private final ModelServer model;
    private final MailServer mail;
    private final CustomerRecords records;
    private final CourseBookings courses;
    private final LoanStock stock;
    private final IdentityCheck identity;
    private final MailPage mailPage;
    private final BusyCalendarStandIn calendar;
    private final ObservatorySite site;
    private final Phone phone;

    /**
     * @param port      of the first; the others follow it. Where one is taken another is found
     * @param elsewhere port of customer records that another process plays; 0 for none
     */
    StandIns(
            Outgoing outgoing,
            @Value("${shuttle.standins.port:8097}") int port,
            @Value("${shuttle.standins.records-elsewhere:0}") int elsewhere)
            throws IOException {
        model = started(port);
        records = new CustomerRecords(next(port, 1));
        courses = new CourseBookings(next(port, 2));
        stock = new LoanStock(next(port, 3));
        mail = mail(next(port, 5));
        identity = new IdentityCheck(mail, next(port, 4));
        mailPage = new MailPage(mail, next(port, 6));
        calendar = new BusyCalendarStandIn(next(port, 7));
        site = new ObservatorySite(next(port, 8));
        phone = new Phone(next(port, 9));
        for (HttpStandIn one : all()) {
            one.start();
        }
        outgoing.lead(MODEL_HOST, model.port());
        outgoing.lead(RECORDS_HOST, elsewhere == 0 ? records.port() : elsewhere);
        outgoing.lead(COURSES_HOST, courses.port());
        outgoing.lead(STOCK_HOST, stock.port());
        outgoing.lead(IDENTITY_HOST, identity.port());
        outgoing.lead(CALENDAR_HOST, calendar.port());
        outgoing.lead(PHONE_HOST, phone.port());
    }

    /** From now on they keep what they are told, and know again what they were told before. */
    void keepIn(Path folder) throws IOException {
        for (HttpStandIn one : all()) {
            one.keepIn(folder);
        }
    }

    private List<HttpStandIn> all() {
        return List.of(records, courses, stock, identity, mailPage, calendar, site, phone);
    }

    private static int next(int port, int by) {
        return port == 0 ? 0 : port + by;
    }

    private static ModelServer started(int port) throws IOException {
        try {
            return ModelServer.start(port);
        } catch (BindException taken) {
            return ModelServer.start(0);
        }
    }

    private static MailServer mail(int port) {
        try {
            return new MailServer(port);
        } catch (IllegalStateException taken) {
            return new MailServer(0);
        }
    }

    public CustomerRecords records() {
        return records;
    }

    public CourseBookings courses() {
        return courses;
    }

    public LoanStock stock() {
        return stock;
    }

    public IdentityCheck identity() {
        return identity;
    }

    public BusyCalendarStandIn calendar() {
        return calendar;
    }

    public ObservatorySite site() {
        return site;
    }

    public Phone phone() {
        return phone;
    }

    public MailServer mail() {
        return mail;
    }

    /** The pages on which one sees what arrived, by name. */
    Map<String, String> pages() {
        Map<String, String> pages = new LinkedHashMap<>();
        for (HttpStandIn one : all()) {
            pages.put(one.name(), "http://localhost:" + one.port());
        }
        return pages;
    }

    /** The address at which Shuttle finds a stand-in, whatever port it has got this time. */
    static String address(String host) {
        return "http://" + host;
    }

    /** Where Shuttle finds the language model. */
    String modelAddress() {
        return address(MODEL_HOST) + "/v1/chat/completions";
    }

    @PreDestroy
    void stop() {
        model.close();
        for (HttpStandIn one : all()) {
            one.close();
        }
        mail.close();
    }
}
