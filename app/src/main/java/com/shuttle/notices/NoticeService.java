package com.shuttle.notices;

import com.github.kagkarlsson.scheduler.Scheduler;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.CustomTask;
import com.shuttle.chat.ConversationService;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Message;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Attempts;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import com.shuttle.web.Markdown;
import com.shuttle.web.Missing;
import com.shuttle.web.Page;
import com.shuttle.web.PublicAddress;
import com.shuttle.web.Wanted;
import com.shuttle.web.Went;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What is told outside. A notice is a row, written with its turn; the persistent scheduler delivers it after that, again after
 * growing pauses, for three days. It is marked before it can be delivered a second time, and bears the same id each time, so
 * that it comes at least once and a repetition is known. Thread-safe.
 */
@Service
public class NoticeService {

    private static final Logger LOG = LoggerFactory.getLogger(NoticeService.class);
    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("notice");
    static final Duration TRIED_FOR = Duration.ofDays(3);
    private static final int MOST_CALLED_BACK = 200;

    private final NoticeStore store;
    private final MailService mail;
    private final Callbacks callbacks;
    private final AccountService accounts;
    private final ObjectProvider<ConversationService> conversations;
    private final Attempts planned;
    private final Markdown markdown;
    private final PublicAddress address;
    private final InstantSource clock;

    NoticeService(
            NoticeStore store,
            MailService mail,
            Callbacks callbacks,
            AccountService accounts,
            ObjectProvider<ConversationService> conversations,
            ObjectProvider<Scheduler> scheduler,
            Markdown markdown,
            PublicAddress address,
            InstantSource clock) {
        this.store = store;
        this.mail = mail;
        this.callbacks = callbacks;
        this.accounts = accounts;
        this.conversations = conversations;
        this.planned = new Attempts(TASK, scheduler);
        this.markdown = markdown;
        this.address = address;
        this.clock = clock;
    }

    /** Those who were called back, with the key that each checks signatures with. */
    public Map<String, String> keys() {
        Map<String, String> keys = new TreeMap<>();
        store.calledBack(MOST_CALLED_BACK)
                .forEach(address ->
                        Callbacks.receiver(address).ifPresent(receiver -> keys.put(receiver, callbacks.key(receiver))));
        return keys;
    }

    /** The key of one who may not have been called back yet; empty for what is no web address. */
    public Optional<String> key(String address) {
        return Callbacks.receiver(address).map(callbacks::key);
    }

    public Page<Notice> notices(Wanted wanted) {
        return store.notices(wanted);
    }

    /** @throws Missing if there is no such notice */
    public Notice notice(String id) {
        return store.notice(id).orElseThrow(() -> new Missing("notice", id));
    }

    /** Why somebody cannot be told; empty where it will be tried. */
    String mayTell(Deed.Tell deed) {
        return switch (deed) {
            case Deed.Tell.Mail one -> {
                List<String> receivers = receivers(one);
                if (receivers.isEmpty()) {
                    yield "There is nobody to tell.";
                }
                if (receivers.size() > 50) {
                    yield "These are too many to tell.";
                }
                yield receivers.stream()
                        .filter(address -> !Addresses.isOne(address))
                        .findFirst()
                        .map(address -> "One of the addresses is none.")
                        .orElseGet(() -> mail.settings().there() ? "" : "There is no mail server.");
            }
            case Deed.Tell.Callback one ->
                !one.address().startsWith("http")
                        ? "There is no address."
                        : one.event().isBlank() ? "It is not said what it is about." : "";
        };
    }

    private List<String> receivers(Deed.Tell.Mail mail) {
        List<String> all = new ArrayList<>(mail.to());
        accounts.teams().stream()
                .filter(team -> team.id().equals(mail.team()))
                .flatMap(team -> team.members().stream())
                .forEach(member -> all.add(member.email()));
        return all.stream().distinct().toList();
    }

    /** Keeps what is to be told, in the present transaction; it is delivered after that. */
    @Transactional
    public void tell(String conversation, Deed.Tell deed, Instant at) {
        switch (deed) {
            case Deed.Tell.Mail one ->
                receivers(one)
                        .forEach(address -> keep(new Notice(
                                Ids.next(),
                                conversation,
                                Notice.Kind.MAIL,
                                address,
                                one.subject().isBlank() ? "From the conversation" : one.subject(),
                                one.text(),
                                one.attached(),
                                Notice.State.WAITING,
                                0,
                                "",
                                at,
                                at.plus(TRIED_FOR),
                                null,
                                null,
                                Notice.Besides.NOTHING)));
            case Deed.Tell.Callback one ->
                keep(new Notice(
                        Ids.next(),
                        conversation,
                        Notice.Kind.CALLBACK,
                        one.address(),
                        one.event(),
                        Json.write(one.data()),
                        false,
                        Notice.State.WAITING,
                        0,
                        "",
                        at,
                        at.plus(TRIED_FOR),
                        null,
                        null,
                        Notice.Besides.NOTHING));
        }
    }

    /**
     * Keeps a mail that is to be sent, in the present transaction.
     *
     * @param conversation it is about; null for none
     * @param text         in small Markdown
     * @param calendar     an iCalendar file that goes with it; null for none
     */
    @Transactional
    public void mail(
            @Nullable String conversation,
            String to,
            String subject,
            String text,
            @Nullable String calendar,
            Instant at) {
        keep(new Notice(
                Ids.next(),
                conversation,
                Notice.Kind.MAIL,
                to,
                subject,
                text,
                false,
                Notice.State.WAITING,
                0,
                "",
                at,
                at.plus(TRIED_FOR),
                null,
                calendar,
                Notice.Besides.NOTHING));
    }

    /** Keeps what is to be told, in the present transaction. */
    void keep(Notice notice) {
        store.insert(notice);
        planned.plan(notice.id(), notice.madeAt());
    }

    /** Tries to deliver what failed, was stopped or was sent before once more. */
    @Transactional
    public void sendAgain(String id) {
        Notice notice = notice(id);
        Instant now = clock.instant();
        if (!notice.waiting()) {
            store.move(id, notice.state(), Notice.State.WAITING, 0, "", null);
        }
        store.until(id, now.plus(TRIED_FOR));
        planned.anew(id, now);
    }

    /** Tries no longer. */
    @Transactional
    public void stop(String id) {
        Notice notice = notice(id);
        store.move(id, Notice.State.WAITING, Notice.State.STOPPED, notice.attempts(), notice.why(), null);
    }

    /** Makes one attempt. @return how many there were where there is to be another, {@link Attempts#DONE} otherwise */
    int deliver(String id) {
        Notice notice = store.notice(id).filter(Notice::waiting).orElse(null);
        if (notice == null) {
            return Attempts.DONE;
        }
        int attempts = notice.attempts() + 1;
        Went went = notice.mail() ? mailed(notice) : callbacks.send(notice);
        boolean sent = went.well();
        boolean over = went.forGood() || clock.instant().isAfter(notice.until());
        if (!sent) {
            LOG.info("notice {} was not delivered at attempt {}", id, attempts);
        }
        store.move(
                id,
                Notice.State.WAITING,
                sent ? Notice.State.SENT : over ? Notice.State.FAILED : Notice.State.WAITING,
                attempts,
                went.why(),
                sent ? clock.instant() : null);
        return sent || over ? Attempts.DONE : attempts;
    }

    private Went mailed(Notice notice) {
        return mail.send(new MailService.Letter(
                notice.id(),
                notice.receiver(),
                notice.subject(),
                text(notice),
                html(notice),
                notice.calendar(),
                notice.besides().replyTo(),
                notice.besides().unsubscribe().isEmpty()
                        ? ""
                        : address.of(notice.besides().unsubscribe()),
                store.file(notice.besides().file()).orElse(null)));
    }

    /** The text of a mail for those who see no HTML. */
    String text(Notice notice) {
        String text = Markdown.plain(notice.text());
        String talk = lines(notice).stream()
                .map(line -> who(line) + ": " + Markdown.plain(line.text()))
                .collect(Collectors.joining("\n"));
        return talk.isEmpty() ? text : text + "\n\n--\n" + talk;
    }

    /** The same as HTML; nothing in it comes from visitors unescaped. */
    String html(Notice notice) {
        String html = markdown.html(notice.text());
        String talk = lines(notice).stream()
                .map(line -> "<p><b>" + who(line) + ":</b></p>"
                        + (line.from() == Message.From.VISITOR
                                ? "<p>" + org.springframework.web.util.HtmlUtils.htmlEscape(line.text()) + "</p>"
                                : markdown.html(line.text())))
                .collect(Collectors.joining());
        return "<!doctype html><html><body style=\"font-family:sans-serif;line-height:1.5\">" + html
                + (talk.isEmpty() ? "" : "<hr>" + talk) + "</body></html>";
    }

    private List<Message> lines(Notice notice) {
        String conversation = notice.conversation();
        return !notice.attached() || conversation == null
                ? List.of()
                : conversations.getObject().lines(conversation, 0).stream()
                        .map(line -> line.message())
                        .toList();
    }

    private static String who(Message line) {
        return switch (line.from()) {
            case VISITOR -> "Visitor";
            case BOT -> "Bot";
            case AGENT -> org.springframework.web.util.HtmlUtils.htmlEscape(line.author());
        };
    }

    /** A mail that shows whether the settings are right. @return why it did not go; empty where it did */
    String tried(String to) {
        return mail.send(new MailService.Letter(
                        Ids.next(),
                        to,
                        "Mail from Shuttle works",
                        "This shows that Shuttle can send mail.",
                        "<p>This shows that Shuttle can send mail.</p>",
                        null,
                        "",
                        "",
                        null))
                .why();
    }

    /** What a due notice does. */
    @Configuration
    static class Due {

        @Bean
        CustomTask<Void> noticeTask(ObjectProvider<NoticeService> notices, InstantSource clock) {
            return Attempts.task(TASK, id -> notices.getObject().deliver(id), clock);
        }
    }
}
