package com.shuttle.standins;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** The page on which the mail of a {@link MailServer} is read, with a switch that lets it go away. */
public final class MailPage extends HttpStandIn {

    private final MailServer mail;

    public MailPage(MailServer mail, int port) throws IOException {
        super("Mail", port);
        this.mail = mail;
    }

    @Override
    protected Reply reply(Call call) {
        if (call.path().equals("/away") || call.path().equals("/back")) {
            mail.up(call.path().equals("/back"));
        }
        return call.path().equals("/mails")
                ? Reply.json(200, Map.of("mails", mail.mails()))
                : Reply.page("<meta http-equiv=refresh content='0;url=/'>");
    }

    @Override
    protected List<List<String>> kept() {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("From", "To", "Subject", "Text"));
        for (MailServer.Mail one : mail.mails().reversed()) {
            rows.add(List.of(one.from(), String.join(", ", one.to()), one.subject(), one.text()));
        }
        return rows;
    }
}
