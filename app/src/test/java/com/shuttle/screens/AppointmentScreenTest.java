package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Mouse;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.appointments.Availability;
import com.shuttle.appointments.Booking;
import com.shuttle.appointments.Bookings;
import com.shuttle.appointments.Outcome;
import com.shuttle.appointments.Party;
import com.shuttle.bots.Bot;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.demo.StandIns;
import com.shuttle.standins.MailServer.Mail;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Somebody elsewhere books in the chat, changes it from the mail and cancels; the team sees it all. */
@ServerTest
class AppointmentScreenTest {

    private static final ZoneId LONDON = ZoneId.of("Europe/London");

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
    private final Availability availability;
    private final Bookings bookings;

    AppointmentScreenTest(
            @LocalServerPort int port, TestData data, StandIns standIns, Availability availability, Bookings bookings) {
        this.availability = availability;
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
            team.navigate("/appointments?of=" + moved.start().atZone(LONDON).toLocalDate());
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

    /** The first time of a kind that is free on a day after today, of which little may be left. */
    private Instant free(String kind) {
        Instant tomorrow =
                LocalDate.now(LONDON).plusDays(1).atStartOfDay(LONDON).toInstant();
        return availability
                .free(kind, 1, tomorrow, tomorrow.plus(Duration.ofDays(30)))
                .getFirst()
                .start();
    }

    private static LocalDate day(Instant start) {
        return start.atZone(LONDON).toLocalDate();
    }

    @Test
    void aBookingIsDraggedToAFreeTime() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            String kind = kind(team, person(team));
            String name = data.name("Dana");
            Party dana = new Party(1, "", name, "", "", "", "", null, null);
            Booking booking = ((Outcome.Taken) bookings.take(kind, free(kind), dana, null)).booking();
            team.navigate("/appointments?of=" + day(booking.start()));
            Locator block =
                    team.locator("a[data-moves][data-who*='" + name + "']").first();
            block.scrollIntoViewIfNeeded();
            BoundingBox at = block.boundingBox();
            team.mouse().move(at.x + 20, at.y + 8);
            team.mouse().down();
            team.mouse().move(at.x + 20, at.y + 40, new Mouse.MoveOptions().setSteps(4));
            assertThat(team.locator(".place.near")).hasCount(1);
            team.keyboard().press("Escape");
            assertThat(team.locator(".place")).hasCount(0);
            team.mouse().up();
            team.mouse().move(at.x + 20, at.y + 8);
            team.mouse().down();
            team.mouse().move(at.x + 20, at.y + 90, new Mouse.MoveOptions().setSteps(4));
            assertThat(team.locator(".place.near")).hasCount(1);
            team.mouse().up();
            assertThat(team.locator("#moving [data-who]")).containsText(name);
            team.locator("#moving .main").click();
            assertThat(team.locator(".notice")).containsText("Moved.");
            assertThat(bookings.booking(booking.id()).start()).isAfter(booking.start());
            team.locator("select[name=view]").selectOption("day");
            team.locator("#of").fill(day(booking.start()).toString());
            team.locator("button:has-text('Show')").click();
            assertThat(team.locator("svg.week .shut").first()).isVisible();
            assertThat(team.locator("a[data-moves][data-who*='" + name + "']")).isVisible();
            assertThat(screens.complaints()).isEmpty();
        }
    }

    @Test
    void aDayIsTakenOffByClickingIt() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            person(team);
            String day = LocalDate.now(LONDON)
                    .with(TemporalAdjusters.next(DayOfWeek.WEDNESDAY))
                    .toString();
            Locator cell = team.locator("[data-day='" + day + "']");
            cell.click();
            assertThat(team.locator("#day-hours")).hasValue("09:00-22:00");
            team.locator("[data-off]").click();
            assertThat(cell).hasClass(Pattern.compile(".*off.*other.*"));
            assertThat(cell).isFocused();
            cell.click();
            team.locator("#day-hours").fill("10-12");
            team.keyboard().press("Enter");
            team.locator("button:has-text('Keep')").click();
            assertThat(team.locator("#exceptions")).hasValue(day + " 10:00-12:00");
            cell.click();
            team.locator("[data-usual]").click();
            assertThat(team.locator("#exceptions")).hasValue("");
            assertThat(screens.complaints()).isEmpty();
        }
    }

    private static final String HOLDS = """
            {"format":"shuttle-flow/1","id":"main","name":"Calls","phrases":[],"sections":[{"id":"s","title":"","steps":[
            {"kind":"appointment","id":"n3","of":"%s","ask":["When would suit you?"],"who":"{{name}}","email":"{{email}}",
             "exits":{"booked":"step:n4","nothing_free":"step:n4","declined":"step:n4"}},
            {"kind":"message","id":"n4","say":["That is all."]}]}]}""";

    @Test
    void aTimeIsKeptFromOthersWhileTheAddressIsTyped() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            String kind = kind(team, person(team));
            Bot bot = data.released(FlowJson.readTrusted(HOLDS.formatted(kind)));
            Page first = screens.stranger();
            first.navigate("/chat/" + bot.slug());
            String time = first.locator("#offers button").first().innerText();
            first.locator("#offers button").first().click();
            assertThat(first.locator(".bubble.bot").last()).containsText("What name shall I put it under?");
            Page second = screens.stranger();
            second.navigate("/chat/" + bot.slug());
            assertThat(second.locator("#offers button").first()).not().hasText(time);
            Screens.say(first, "Dana Whitlow");
            assertThat(first.locator(".bubble.bot").last()).containsText("Which email address");
            String address = data.name("dana").replaceAll("[^a-z0-9]", "") + "@mill.example";
            Screens.say(first, address);
            assertThat(first.locator(".bubble.bot").last()).containsText("That is all.");
            assertThat(mail(address, 1).calendar()).contains("METHOD:REQUEST");
            assertThat(screens.complaints()).isEmpty();
        }
    }
}
