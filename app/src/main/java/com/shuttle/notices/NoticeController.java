package com.shuttle.notices;

import com.shuttle.web.Access;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Option;
import com.shuttle.web.Wanted;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What was told outside, and what still is. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/sent")
class NoticeController {

    private final NoticeService notices;
    private final MailService mail;

    NoticeController(NoticeService notices, MailService mail) {
        this.notices = notices;
        this.mail = mail;
    }

    @GetMapping
    String list(@RequestParam Map<String, String> parameters, Model model) {
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute(
                "listing",
                Listing.of("/sent", wanted, notices.notices(wanted))
                        .searched("Search receiver, subject")
                        .filter(
                                "state",
                                "State",
                                "every state",
                                Option.of(List.of(Notice.State.values()), Notice.State::key, Notice.State::label))
                        .filter(
                                "kind",
                                "Kind",
                                "mail and callbacks",
                                Option.of(List.of(Notice.Kind.values()), Notice.Kind::key, Notice.Kind::label))
                        .columns(
                                Listing.Column.sorted("To", "receiver"),
                                Listing.Column.plain("About"),
                                Listing.Column.plain("State"),
                                Listing.Column.sorted("Made", "made")));
        model.addAttribute("keys", notices.keys());
        String address = parameters.getOrDefault("receiver", "");
        model.addAttribute("receiver", address);
        model.addAttribute("key", notices.key(address).orElse(""));
        model.addAttribute("mailing", mail.settings().there());
        return "notices/sent";
    }

    @GetMapping("/{id}")
    String one(@PathVariable String id, Model model) {
        Notice notice = notices.notice(id);
        model.addAttribute("notice", notice);
        model.addAttribute("text", notice.mail() ? notices.text(notice) : notice.text());
        return "notices/notice";
    }

    @PostMapping("/{id}/again")
    String again(@PathVariable String id) {
        notices.sendAgain(id);
        return "redirect:/sent/" + id;
    }

    @PostMapping("/{id}/stop")
    String stop(@PathVariable String id) {
        notices.stop(id);
        return "redirect:/sent/" + id;
    }
}
