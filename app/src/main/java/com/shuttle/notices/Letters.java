package com.shuttle.notices;

import com.shuttle.web.Ids;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Mails and callbacks that are about no conversation, but about somebody. Thread-safe. */
@Service
public class Letters {

    private final NoticeService notices;
    private final NoticeStore store;

    Letters(NoticeService notices, NoticeStore store) {
        this.notices = notices;
        this.store = store;
    }

    /** Keeps a mail that nobody asked for just now, in the present transaction. @return its id */
    @Transactional
    public String letter(String to, String subject, String text, Notice.Besides besides, Instant at) {
        String id = Ids.next();
        notices.keep(new Notice(
                id,
                null,
                Notice.Kind.MAIL,
                to,
                subject,
                text,
                false,
                Notice.State.WAITING,
                0,
                "",
                at,
                at.plus(NoticeService.TRIED_FOR),
                null,
                null,
                besides));
        return id;
    }

    /** Keeps a web callback that is about no conversation, in the present transaction. @param data as JSON */
    @Transactional
    public void callback(String address, String event, String data, Instant at) {
        notices.keep(new Notice(
                Ids.next(),
                null,
                Notice.Kind.CALLBACK,
                address,
                event,
                data,
                false,
                Notice.State.WAITING,
                0,
                "",
                at,
                at.plus(NoticeService.TRIED_FOR),
                null,
                null,
                Notice.Besides.NOTHING));
    }

    /** Keeps a file that mails can bring. @return its id */
    @Transactional
    public String keepFile(String name, String type, byte[] content) {
        String id = Ids.next();
        store.keepFile(id, name, type, content);
        return id;
    }

    /** Name of a file that mails can bring; empty for none. */
    public String fileName(String id) {
        return store.file(id).map(MailFile::name).orElse("");
    }

    /** Of these mails, to whom they could not be delivered for good. */
    public List<String> bounced(List<String> notices) {
        return notices.isEmpty() ? List.of() : store.bounced(notices);
    }

    /** Forgets every mail to somebody. @param address may be empty */
    @Transactional
    public void forgetTo(String address, String person) {
        store.deleteTo(address.toLowerCase(Locale.ROOT), person);
    }
}
