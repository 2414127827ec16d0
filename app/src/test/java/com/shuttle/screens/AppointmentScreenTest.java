package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.appointments.Booking;
import com.shuttle.appointments.Bookings;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.demo.StandIns;
import com.shuttle.standins.MailServer.Mail;
import java.time.ZoneId;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Somebody elsewhere books in the chat, changes it from the mail and cancels; the team sees it all. */
@ServerTest
class AppointmentScreenTest {

    private static final String FLOW = """
            {"format":"shuttle-flow/1","id":"main","name":"Visits","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"question","id":"n1","ask":["Your name?"],"type":"person_name","variable":"name","exits":{"answered":"step:n2"}},
            {"kind":"question","id":"n2","ask":["Your email?"],"type":"email","variable":"email","exits":{"answered":"step:n3"}},
            {"kind":"appointment","id":"n3","of":"%s","ask":["When would suit you?"],"who":"{{name}}","email":"{{email}}",
             "exits":{"booked":"step:n4","nothing_free":"step:n4","declined":"step:n4"}},
            {"kind":"message","id":"n4","say":["That is all."]}]}]}""";

    private static final String CHANGES = """
            {"format":"shuttle-flow/1","id":"main","name":"Changes","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"question","id":"n1","ask":["Your reference?"],"type":"text","variable":"which","exits":{"answered":"step:n2"}},
            {"kind":"question","id":"n2","ask":["Your email?"],"type":"email","variable":"email","exits":{"answered":"step:n3"}},
            {"kind":"appointment","id":"n3","does":"change","of":"","named":"{{which}}","email":"{{email}}","ask":["When instead?"],
             "exits":{"changed":"step:n4","cancelled":"step:n4","not_found":"step:n5","declined":"step:n4"}},
            {"kind":"message","id":"n4","say":["That is all."]},
            {"kind":"message","id":"n5","say":["There is no such booking."]}]}]}""";

    private static final Pattern LINK = Pattern.compile("http://localhost:\\d+(/booking/[\\w/-]+)");

    private final int port;
    private final TestData data;
    private final StandIns standIns;
    private final Bookings bookings;

    AppointmentScreenTest(@LocalServerPort int port, TestData data, StandIns standIns, Bookings bookings) {
        this.bookings = bookings;
        this.port = port;
        this.data = data;
        this.standIns = standIns;
    }

    /** Somebody who takes appointments late into the evening. @return their name */
    private String person(Page page) {
        String name = data.name("Ann");
        page.navigate("/appointments/people");
        page.locator("a:has-text('New person or room')").click();
        page.locator("#name").fill(name);
        page.locator("#saturday").fill("25:00-26:00");
        page.locator("button:has-text('Keep')").click();
        assertThat(page.locator(".field-error")).containsText("Write hours like");
        assertThat(page.locator("#name")).hasValue(name);
        page.locator("#saturday").fill("");
        for (String day : List.of("monday", "tuesday", "wednesday", "thursday", "friday")) {
            page.locator("#" + day).fill("9-22");
        }
        page.locator("button:has-text('Keep')").click();
        assertThat(page.locator("#monday")).hasValue("09:00-22:00");
        return name;
    }

    /** @return its id */
    private String kind(Page page, String person) {
        page.navigate("/appointments/kinds/new");
        page.locator("#name").fill(data.name("Look around"));
        page.locator("#minutes").fill("47");
        page.locator("button:has-text('Keep')").click();
        assertThat(page.locator(".field-error").first()).containsText("Please choose at least one");
        page.getByLabel(person).check();
        page.locator("#minutes").fill("45");
        page.locator("button:has-text('Keep')").click();
        assertThat(page.locator(".notice")).containsText("is kept");
        return page.url().replaceFirst(".*/", "");
    }

    private Mail mail(String to, int number) {
        until("mail " + number, () -> mails(to).size() >= number);
        return mails(to).get(number - 1);
    }

    private List<Mail> mails(String to) {
        return standIns.mail().mails().stream()
                .filter(mail -> mail.to().contains(to))
                .toList();
    }

    @Test
    void aVisitorElsewhereBooksChangesAndCancelsAndTheTeamSeesIt() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            String ann = person(team);
            Bot bot = data.released(FlowJson.readTrusted(FLOW.formatted(kind(team, ann))));
            String visitor = data.name("Dana").replaceAll("[^A-Za-z]", "") + " Whitlow";
            String address = data.name("dana").replaceAll("[^a-z0-9]", "") + "@mill.example";

            Page chat = screens.strangerIn("America/New_York");
            chat.navigate("/chat/" + bot.slug());
            Screens.say(chat, visitor);
            Screens.say(chat, address);
            Screens.say(chat, "sometime next week in the afternoon");
            assertThat(chat.locator("#offers button").first()).containsText("Europe/London");
            chat.locator("summary:has-text('All free times')").click();
            assertThat(chat.locator(".free-zone").last()).containsText("America/New_York");
            chat.locator(".free-date").last().click();
            chat.locator(".free-times .free-time").last().click();
            assertThat(chat.locator(".bubble.bot").last()).containsText("Shall I book it?");
            chat.locator("#offers button").first().click();
            assertThat(chat.locator(".bubble.bot").last()).containsText("That is all.");

            Mail booked = mail(address, 1);
            assertThat(booked.calendar()).contains("METHOD:REQUEST", "SEQUENCE:0");
            assertThat(booked.text()).contains("America/New_York");
            Matcher link = LINK.matcher(booked.text());
            assertThat(link.find()).isTrue();
            Page own = screens.strangerIn("America/New_York");
            own.navigate(link.group(1));
            assertThat(own.locator(".when")).containsText("America/New_York");
            own.locator("[name=start]").last().check();
            own.locator("button:has-text('Take this time')").click();
            assertThat(own.locator(".notice")).containsText("has another time now");
            assertThat(mail(address, 2).calendar()).contains("METHOD:REQUEST", "SEQUENCE:1");

            team.navigate("/appointments/list?q=" + address);
            assertThat(team.locator("tbody tr")).containsText("booked");
            team.locator("tbody .row-link").click();
            assertThat(team.locator(".past li")).hasCount(2);

            String reference = booked.subject().replaceFirst(".*, ", "");
            Booking moved = bookings.named(reference, address).orElseThrow();
            team.navigate("/appointments?of="
                    + moved.start().atZone(ZoneId.of("Europe/London")).toLocalDate());
            assertThat(team.locator("svg.week a[aria-label*='" + visitor + "']"))
                    .isVisible();
            team.navigate("/appointments/bookings/" + moved.id());

            chat.navigate(
                    "/chat/" + data.released(FlowJson.readTrusted(CHANGES)).slug());
            Screens.say(chat, reference.toLowerCase());
            Screens.say(chat, "somebody.else@mill.example");
            assertThat(chat.locator(".bubble.bot").last()).containsText("There is no such booking.");
            chat.locator("#again").click();
            assertThat(chat.locator(".bubble.bot")).hasCount(1);
            Screens.say(chat, reference.toLowerCase());
            Screens.say(chat, address);
            chat.locator("#offers button:has-text('Cancel it')").click();
            assertThat(chat.locator(".bubble.bot").last()).containsText("That is all.");
            own.reload();
            assertThat(own.locator("main")).containsText("It is cancelled.");
            assertThat(mail(address, 3).calendar()).contains("METHOD:CANCEL", "SEQUENCE:2", "STATUS:CANCELLED");
            team.reload();
            assertThat(team.locator(".state-word")).hasText("cancelled");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void theTeamBooksForSomebodyWhoCalls() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            String kind = kind(team, person(team));
            team.navigate("/appointments/new?kind=" + kind);
            team.locator("[name=start]").first().check();
            team.locator("button:has-text('Book it')").click();
            assertThat(team.locator(".field-error")).containsText("Please say who comes");
            team.locator("[name=start]").first().check();
            String name = data.name("Caller");
            team.locator("#name").fill(name);
            team.locator("button:has-text('Book it')").click();
            assertThat(team.locator(".notice")).containsText("The reference is");
            team.locator("summary:has-text('Cancel')").click();
            team.locator("button:has-text('Cancel and tell them')").click();
            assertThat(team.locator(".state-word")).hasText("cancelled");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
