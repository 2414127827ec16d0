package com.shuttle.inbox;

import com.shuttle.appointments.Bookings;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.channels.Dispatcher;
import com.shuttle.chat.Conversation;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.ErasureService;
import com.shuttle.chat.EventStreams;
import com.shuttle.chat.LiveHub;
import com.shuttle.chat.Outcome;
import com.shuttle.chat.UploadService;
import com.shuttle.core.reading.Words;
import com.shuttle.settings.Account;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.SignedIn;
import com.shuttle.settings.Team;
import com.shuttle.web.Access;
import com.shuttle.web.Ids;
import com.shuttle.web.Missing;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.Collectors;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Who waits for a person, and talking with them. */
@Controller
@Access(Access.Who.AGENT)
class InboxController {

    private final ConversationService conversations;
    private final BotService bots;
    private final AccountService accounts;
    private final EventStreams streams;
    private final UploadService uploads;
    private final ErasureService erasure;
    private final Bookings bookings;
    private final Dispatcher phones;

    InboxController(
            ConversationService conversations,
            BotService bots,
            AccountService accounts,
            EventStreams streams,
            UploadService uploads,
            ErasureService erasure,
            Bookings bookings,
            Dispatcher phones) {
        this.phones = phones;
        this.bookings = bookings;
        this.erasure = erasure;
        this.uploads = uploads;
        this.conversations = conversations;
        this.bots = bots;
        this.accounts = accounts;
        this.streams = streams;
    }

    @GetMapping("/inbox")
    String inbox(Model model) {
        fillList(model);
        return "inbox/inbox";
    }

    /** The list alone, for keeping an open page current. */
    @GetMapping("/inbox/list")
    String list(@RequestParam(defaultValue = "") String open, Model model) {
        fillList(model);
        model.addAttribute("openId", open);
        return "inbox/list :: list";
    }

    @GetMapping("/inbox/{id}")
    String conversation(@PathVariable String id, @AuthenticationPrincipal SignedIn person, Model model) {
        Conversation conversation = conversations.conversation(id);
        fillList(model);
        model.addAttribute("openId", id);
        fillConversation(conversation, person, model);
        return "inbox/inbox";
    }

    /** The open conversation alone, for keeping an open page current. */
    @GetMapping("/inbox/{id}/conversation")
    String conversationPart(@PathVariable String id, @AuthenticationPrincipal SignedIn person, Model model) {
        fillConversation(conversations.conversation(id), person, model);
        return "inbox/conversation :: conversation";
    }

    /** @param over whether it is taken over from whoever has it */
    @PostMapping("/inbox/{id}/take")
    String take(
            @PathVariable String id,
            @RequestParam(defaultValue = "false") boolean over,
            @AuthenticationPrincipal SignedIn person,
            RedirectAttributes flash) {
        return after(id, conversations.agentTakes(id, person.account(), over), flash);
    }

    @PostMapping("/inbox/{id}/close")
    String close(@PathVariable String id, @AuthenticationPrincipal SignedIn person, RedirectAttributes flash) {
        return after(id, conversations.agentCloses(id, person.account()), flash);
    }

    /** Gives the conversation back to the bot, which goes on where the flow says. */
    @PostMapping("/inbox/{id}/return")
    String giveBack(@PathVariable String id, @AuthenticationPrincipal SignedIn person, RedirectAttributes flash) {
        return after(id, conversations.agentReturns(id, person.account()), flash);
    }

    /** For good; asked for twice on the page. */
    @PostMapping("/inbox/{id}/erase")
    @Access(Access.Who.DESIGNER)
    String erase(@PathVariable String id, @AuthenticationPrincipal SignedIn person, RedirectAttributes flash) {
        erasure.erase(id, person.account().id());
        flash.addFlashAttribute("erased", true);
        return "redirect:/inbox";
    }

    /** A file that the visitor sent, always as a download. */
    @GetMapping("/inbox/files/{file}")
    ResponseEntity<Resource> file(@PathVariable String file) {
        UploadService.Download download = uploads.download(file).orElseThrow(() -> new Missing("file", file));
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_OCTET_STREAM)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename(download.name(), StandardCharsets.UTF_8)
                                .build()
                                .toString())
                .header("Content-Security-Policy", "sandbox; default-src 'none'")
                .body(new FileSystemResource(download.file()));
    }

    @PostMapping("/inbox/{id}/reply")
    ResponseEntity<String> reply(
            @PathVariable String id,
            @RequestParam String text,
            @RequestParam(defaultValue = "") String clientMessageId,
            @AuthenticationPrincipal SignedIn person) {
        String clean = Words.clean(text);
        if (clean.isBlank() || clean.length() > Words.LONGEST_MESSAGE) {
            return ResponseEntity.unprocessableContent()
                    .body("A reply has 1 to " + Words.LONGEST_MESSAGE + " characters; this one has " + clean.length()
                            + ".");
        }
        // Two people may send the same id, and a visitor may have sent it before them.
        String key = clientMessageId.isBlank()
                ? Ids.next()
                : Ids.hash(person.account().id() + ' ' + clientMessageId);
        return switch (conversations.agentSays(id, key, person.account(), clean)) {
            case Outcome.Taken ignored -> ResponseEntity.noContent().build();
            case Outcome.Refused refused -> ResponseEntity.status(409).body(refused.sentence());
        };
    }

    /** Tells that the list, or the open conversation, has changed. */
    @GetMapping(path = "/inbox/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter stream() {
        return changes(LiveHub.INBOX);
    }

    @GetMapping(path = "/inbox/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter conversationStream(@PathVariable String id) {
        return changes(LiveHub.conversation(id));
    }

    private SseEmitter changes(String topic) {
        AtomicLong count = new AtomicLong();
        return streams.open(topic, 0, last -> List.of(new EventStreams.Item(count.incrementAndGet(), "changed")));
    }

    private String after(String id, Outcome outcome, RedirectAttributes flash) {
        if (outcome instanceof Outcome.Refused refused) {
            flash.addFlashAttribute("refused", refused.sentence());
        }
        return "redirect:/inbox/" + id;
    }

    private void fillList(Model model) {
        List<Conversation> open = conversations.withPeople();
        List<Conversation> closed = conversations.closed(20);
        model.addAttribute("open", open);
        model.addAttribute("closed", closed);
        model.addAttribute("botNames", bots.bots().stream().collect(Collectors.toMap(Bot::id, Bot::name)));
        model.addAttribute("teamNames", accounts.teams().stream().collect(Collectors.toMap(Team::id, Team::name)));
        model.addAttribute("agentNames", agentNames());
    }

    private void fillConversation(Conversation conversation, SignedIn person, Model model) {
        model.addAttribute("conversation", conversation);
        model.addAttribute("bookings", bookings.of(conversation.id()));
        model.addAttribute("phone", phones.reach(conversation).orElse(null));
        model.addAttribute("mine", person.account().id().equals(conversation.agent()));
        model.addAttribute("lines", conversations.lines(conversation.id(), 0));
        model.addAttribute("known", conversations.known(conversation.id()));
        model.addAttribute("aftermath", conversations.aftermath(conversation.id()));
        model.addAttribute("agentNames", agentNames());
        model.addAttribute(
                "botName",
                bots.bots().stream()
                        .filter(bot -> bot.id().equals(conversation.bot()))
                        .findFirst()
                        .map(Bot::name)
                        .orElse("a deleted bot"));
    }

    private Map<String, String> agentNames() {
        return accounts.accounts().stream().collect(Collectors.toMap(Account::id, Account::name));
    }
}
