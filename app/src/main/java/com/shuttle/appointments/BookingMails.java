package com.shuttle.appointments;

import com.shuttle.core.booking.CalendarFile;
import com.shuttle.core.calendar.Zones;
import com.shuttle.notices.MailService;
import com.shuttle.notices.NoticeService;
import com.shuttle.web.PublicAddress;
import com.shuttle.web.Saved;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** Mails about bookings, with a file that calendar programs take. Thread-safe. */
@Component
class BookingMails {

    private static final DateTimeFormatter WHEN =
            DateTimeFormatter.ofPattern("EEEE d MMMM yyyy, HH:mm", Locale.ENGLISH);

    private final NoticeService notices;
    private final MailService mail;
    private final Diaries diaries;
    private final InstantSource clock;
    private final PublicAddress address;

    BookingMails(NoticeService notices, MailService mail, Diaries diaries, InstantSource clock, PublicAddress address) {
        this.notices = notices;
        this.mail = mail;
        this.diaries = diaries;
        this.clock = clock;
        this.address = address;
    }

    /** What is told. */
    enum News {
        BOOKED("Your appointment", "Your appointment is booked."),
        MOVED("Your appointment has moved", "Your appointment has another time."),
        OFFERED(
                "A time has fallen free",
                "A time has fallen free, and it is held for you. Take it with the link below."),
        REMINDER("Your appointment is near", "This is to remind you of your appointment."),
        CANCELLED("Your appointment is cancelled", "Your appointment is cancelled.");

        private final String subject;
        private final String says;

        News(String subject, String says) {
            this.subject = subject;
            this.says = says;
        }
    }

    /** Tells whoever booked, where they left an address. @param link to change it by; empty for none */
    void tell(Booking booking, Kind kind, News news, String link) {
        if (booking.email().isBlank()) {
            return;
        }
        String whom = diaries.namesOf(booking.resources());
        StringBuilder text = new StringBuilder(news.says).append("\n\n**").append(kind.name());
        text.append("**\n\n").append(when(booking, zone(booking)));
        if (!kind.place().isBlank()) {
            text.append("\n\n").append(kind.place());
        }
        if (news == News.OFFERED && booking.heldUntil() != null) {
            text.append("\n\nIt is held until ")
                    .append(WHEN.format(booking.heldUntil().atZone(zone(booking))))
                    .append('.');
        }
        text.append("\n\nWith ")
                .append(whom)
                .append(". Reference ")
                .append(booking.reference())
                .append('.');
        if (!kind.about().isBlank() && news != News.CANCELLED) {
            text.append("\n\n").append(kind.about());
        }
        if (!link.isEmpty()) {
            text.append(news == News.OFFERED ? "\n\n[Take it, or let it go](" : "\n\n[Change or cancel it](")
                    .append(address.of(link))
                    .append(')');
        }
        notices.mail(
                booking.conversation(),
                booking.email(),
                news.subject + ", " + booking.reference(),
                text.toString(),
                news == News.OFFERED ? null : file(booking, kind, news),
                clock.instant());
    }

    private ZoneId zone(Booking booking) {
        return Zones.known(booking.zone())
                .orElseGet(() -> diaries.diaries(booking.resources()).stream()
                        .map(diary -> diary.hours().zone())
                        .findFirst()
                        .orElse(ZoneId.of("UTC")));
    }

    /** A time with its zone named: "Thursday 12 March 2026, 14:00 (Europe/London)". */
    static String when(Booking booking, ZoneId zone) {
        return WHEN.format(booking.start().atZone(zone)) + " (" + zone.getId() + ")";
    }

    private String file(Booking booking, Kind kind, News news) {
        boolean cancelled = news == News.CANCELLED;
        return CalendarFile.write(
                cancelled ? CalendarFile.Method.CANCEL : CalendarFile.Method.REQUEST,
                List.of(event(booking, kind, mail.settings().sender(), clock.instant())));
    }

    /** A booking as a file to be saved. */
    ResponseEntity<StreamingResponseBody> saved(Booking booking) {
        String file = CalendarFile.write(
                CalendarFile.Method.PUBLISH,
                List.of(event(booking, diaries.kind(booking.kind()), "", clock.instant())));
        return Saved.as("appointment.ics", "text/calendar", out -> out.write(file.getBytes(StandardCharsets.UTF_8)));
    }

    /** A booking as calendar programs know it. @param organizer an address; empty for none */
    static CalendarFile.Event event(Booking booking, Kind kind, String organizer, Instant stamp) {
        return new CalendarFile.Event(
                booking.id() + "@shuttle",
                booking.changes(),
                booking.state() == Booking.State.CANCELLED,
                stamp,
                booking.start(),
                booking.end(),
                kind.name(),
                "Reference " + booking.reference(),
                kind.place(),
                organizer,
                booking.email());
    }
}
