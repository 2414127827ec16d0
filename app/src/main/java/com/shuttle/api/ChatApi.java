package com.shuttle.api;

import com.shuttle.api.ChatViews.AwaitingView;
import com.shuttle.api.ChatViews.MessageView;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.chat.ConversationService;
import com.shuttle.chat.EventStreams;
import com.shuttle.chat.Line;
import com.shuttle.chat.LiveHub;
import com.shuttle.chat.Outcome;
import com.shuttle.chat.Reply;
import com.shuttle.chat.Times;
import com.shuttle.chat.UploadService;
import com.shuttle.core.booking.FreeTimes;
import com.shuttle.core.calendar.Zones;
import com.shuttle.core.conversation.Arrival;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.conversation.State;
import com.shuttle.core.reading.Words;
import com.shuttle.leads.LeadService;
import com.shuttle.panel.Speaking;
import com.shuttle.web.Access;
import com.shuttle.web.Callers;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.MostBytes;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Talking to a bot. Public: a conversation is opened by the token that its beginning returned. */
@RestController
@RequestMapping("/api/v1/chat")
@Tag(name = "Chat", description = "Conversations of visitors. Public and rate limited.")
@Access(Access.Who.EVERYBODY)
@MostBytes(MostBytes.MESSAGE)
class ChatApi {

    record Begin(
            @Nullable String visitor,
            @Nullable String page,
            @Nullable String channel,
            @Nullable String zone,
            @Nullable String flow,
            @Nullable String cue,
            @Nullable Map<String, @Nullable String> facts,
            @Nullable String referrer,
            @Nullable String campaign) {}

    /** @param visitor to be brought again when the same visitor comes back; one that was not made here is not taken */
    record Begun(
            String conversation,
            String token,
            long seq,
            List<MessageView> messages,
            @Nullable AwaitingView awaiting,
            String visitor) {}

    /** Either {@code text} or {@code pick}. */
    record Told(
            @NotBlank(message = NO_KEY) @Size(max = LONGEST_KEY, message = NO_KEY)
            String clientMessageId,

            @Size(max = Words.LONGEST_MESSAGE, message = "A message can be {max} characters long at most.") @Nullable
            String text,

            @Nullable List<String> pick) {}

    /** @param reached null where it was not asked for */
    record Answer(
            long seq,
            List<MessageView> messages,
            @Nullable AwaitingView awaiting,
            boolean ended,
            @Nullable Reached reached) {}

    /** What a conversation has come to. @param lead whether a lead was kept */
    record Reached(List<String> milestones, boolean lead) {}

    private static final int LONGEST_PAGE = 2000;
    private static final int LONGEST_KEY = 90;
    private static final int MOST_FACTS = 50;
    private static final int LONGEST_FACT = 200;
    private static final String NO_KEY =
            "A clientMessageId of 1 to 90 characters is needed, so that nothing is taken twice.";

    private final ConversationService conversations;
    private final BotService bots;
    private final RateLimits limits;
    private final EventStreams streams;
    private final ChatViews views;
    private final UploadService uploads;
    private final VisitorIds visitors;
    private final UnfitBodies bodies;
    private final Times times;
    private final Speaking speaking;
    private final LeadService leads;

    ChatApi(
            ConversationService conversations,
            BotService bots,
            RateLimits limits,
            EventStreams streams,
            ChatViews views,
            UploadService uploads,
            VisitorIds visitors,
            UnfitBodies bodies,
            Times times,
            Speaking speaking,
            LeadService leads) {
        this.leads = leads;
        this.speaking = speaking;
        this.times = times;
        this.bodies = bodies;
        this.visitors = visitors;
        this.conversations = conversations;
        this.bots = bots;
        this.limits = limits;
        this.streams = streams;
        this.views = views;
        this.uploads = uploads;
    }

    @PostMapping("/{bot}/conversations")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(summary = "Begin a conversation with a bot's live release")
    Begun begin(
            @PathVariable String bot,
            @RequestBody(required = false) @Nullable Begin begin,
            HttpServletRequest request) {
        limits.newConversation(Callers.of(request));
        Begin with = begin == null ? new Begin(null, null, null, null, null, null, null, null, null) : begin;
        String id = bots.bySlug(bot).map(Bot::id).orElse(bot);
        String visitor = visitors.of(id, with.visitor());
        ConversationService.Begun begun = conversations
                .begin(
                        id,
                        visitor,
                        line(with.page(), LONGEST_PAGE),
                        with.channel() == null || with.channel().isBlank() ? "web" : line(with.channel(), 20),
                        line(with.zone(), 60),
                        line(with.flow(), 60),
                        facts(with.facts()),
                        new Arrival("", "", line(with.referrer(), LONGEST_PAGE), line(with.campaign(), LONGEST_FACT)))
                .orElseThrow(() -> new Missing("released bot", bot));
        if (with.cue() != null) {
            speaking.began(begun.conversation(), id, with.cue());
        }
        Reply reply = begun.reply();
        return new Begun(
                begun.conversation(),
                begun.token(),
                reply.seq(),
                views.of(reply.messages()),
                views.of(reply.awaiting()),
                visitor);
    }

    @PostMapping("/conversations/{id}/messages")
    @Operation(summary = "Say something, or pick an option; the same clientMessageId is taken once")
    Answer tell(
            @PathVariable String id,
            @RequestBody Told told,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
            HttpServletRequest request) {
        enter(id, authorization);
        bodies.require(told);
        String raw = told.text() == null ? "" : told.text();
        limits.message(id, Callers.of(request), raw.length());
        String key = told.clientMessageId();
        Outcome outcome;
        List<String> pick = told.pick() == null
                ? List.of()
                : told.pick().stream().filter(Objects::nonNull).toList();
        if (!pick.isEmpty()) {
            outcome = conversations.pick(id, key, pick);
        } else {
            String text = Words.clean(raw);
            if (text.length() > Words.LONGEST_MESSAGE) {
                // Some characters are several when they are written out.
                text = text.substring(0, Words.LONGEST_MESSAGE);
            }
            if (text.isBlank()) {
                throw Problems.unfit("There is nothing readable in this message.");
            }
            String said = text;
            outcome = limits.inTurn(said.length(), () -> conversations.say(id, key, said));
        }
        return answer(outcome);
    }

    record Facts(@Nullable Map<String, @Nullable String> facts) {}

    @PostMapping("/conversations/{id}/facts")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(summary = "Tell values of the variables that the bot expects from the website")
    void inform(
            @PathVariable String id,
            @RequestBody Facts told,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
            HttpServletRequest request) {
        enter(id, authorization);
        limits.message(id, Callers.of(request), 0);
        conversations.inform(id, facts(told.facts()));
    }

    private static Map<String, String> facts(@Nullable Map<String, @Nullable String> told) {
        Map<String, String> facts = new HashMap<>();
        if (told != null && told.size() <= MOST_FACTS) {
            told.forEach((name, value) -> facts.put(line(name, LONGEST_FACT), line(value, LONGEST_FACT)));
        }
        return facts;
    }

    private Answer answer(Outcome outcome) {
        return switch (outcome) {
            case Outcome.Taken(Reply reply) ->
                new Answer(reply.seq(), views.of(reply.messages()), views.of(reply.awaiting()), ended(reply), null);
            case Outcome.Refused refused -> throw Problems.of(HttpStatus.CONFLICT, "Not taken", refused.sentence());
        };
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping(path = "/conversations/{id}/files", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @Operation(summary = "Send the file that the conversation asks for")
    Answer send(
            @PathVariable String id,
            @RequestParam MultipartFile file,
            @RequestParam(defaultValue = "") String clientMessageId,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
            HttpServletRequest request)
            throws IOException {
        enter(id, authorization);
        bodies.require(new Told(clientMessageId, null, null));
        limits.message(id, Callers.of(request), 0);
        return switch (uploads.take(id, clientMessageId, UploadService.Coming.of(file))) {
            case Checked.Good<Outcome>(Outcome outcome) -> answer(outcome);
            case Checked.Bad<Outcome> bad ->
                throw Problems.unfit(String.join(" ", bad.errors().values()));
        };
    }

    @GetMapping("/conversations/{id}/messages")
    @Operation(summary = "The transcript after a message")
    Answer messages(
            @PathVariable String id,
            @RequestParam(defaultValue = "0") long after,
            @RequestParam(defaultValue = "false") boolean reached,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization) {
        enter(id, authorization);
        State state = conversations.state(id);
        return new Answer(
                state.seq(),
                views.of(conversations.lines(id, after).stream()
                        .map(Line::message)
                        .toList()),
                views.of(conversations.prompt(id)),
                state.speaker() == Speaker.ENDED,
                reached ? new Reached(conversations.milestones(id), leads.isOf(id)) : null);
    }

    /** @param zone the visitor's @param place the zone in which it takes place @param starts instants */
    record FreeView(String zone, String place, List<String> starts) {}

    @GetMapping("/conversations/{id}/times")
    @Operation(summary = "All free times, while the conversation offers some")
    FreeView times(
            @PathVariable String id, @RequestHeader(name = "Authorization", defaultValue = "") String authorization) {
        enter(id, authorization);
        State state = conversations.state(id);
        Awaiting.Slot slot = state.awaiting() == null ? null : state.awaiting().times();
        if (slot == null) {
            return new FreeView(state.zone(), "", List.of());
        }
        FreeTimes free = times.free(slot.kind(), slot.party(), slot.with());
        return new FreeView(
                Zones.firstKnown(state.zone(), free.zone()).getId(),
                free.zone(),
                free.starts().stream().map(Instant::toString).toList());
    }

    @GetMapping(path = "/conversations/{id}/stream", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Operation(summary = "Messages as they come, resumable with Last-Event-ID")
    SseEmitter stream(
            @PathVariable String id,
            @RequestHeader(name = "Last-Event-ID", defaultValue = "0") long last,
            @RequestHeader(name = "Authorization", defaultValue = "") String authorization,
            HttpServletRequest request) {
        enter(id, authorization);
        return streams.openTo(
                        Callers.of(request),
                        LiveHub.conversation(id),
                        last,
                        after -> conversations.lines(id, after).stream()
                                .map(line ->
                                        new EventStreams.Item(line.message().seq(), views.of(line.message())))
                                .toList())
                .orElseThrow(RateLimits::tooMany);
    }

    /** A conversation that is not the caller's is as good as none. */
    private void enter(String id, String authorization) {
        String token =
                authorization.startsWith("Bearer ") ? authorization.substring(7).strip() : "";
        if (token.isEmpty() || !conversations.mayEnter(id, token)) {
            throw Problems.of(
                    HttpStatus.UNAUTHORIZED,
                    "Not your conversation",
                    "The token of this conversation is missing or wrong.");
        }
    }

    private static boolean ended(Reply reply) {
        return reply.speaker() == Speaker.ENDED;
    }

    private static String line(@Nullable String text, int longest) {
        String clean = text == null ? "" : Words.clean(text).replaceAll("\\s+", " ");
        return clean.substring(0, Math.min(longest, clean.length()));
    }
}
