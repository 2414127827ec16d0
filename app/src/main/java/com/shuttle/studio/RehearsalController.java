package com.shuttle.studio;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.channels.PhoneView;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.channel.PhoneWords;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.channel.Rendering;
import com.shuttle.core.channel.Replied;
import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Message;
import com.shuttle.core.conversation.TraceLine;
import com.shuttle.core.conversation.Turn;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Media;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import com.shuttle.web.Access;
import com.shuttle.web.Markdown;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Talking to the draft inside the studio. */
@RestController
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/rehearsal")
class RehearsalController {

    record Told(
            @Nullable String rehearsal,
            @Nullable String text,
            @Nullable List<String> pick,
            @Nullable Boolean goOn,
            @Nullable String outside,
            @Nullable String day,
            @Nullable String channel) {

        /** The kind of phone it is taken on; null for the website. */
        @Nullable
        PhoneKind phone() {
            return Arrays.stream(PhoneKind.values())
                    .filter(kind -> kind.key().equals(channel))
                    .findFirst()
                    .orElse(null);
        }
    }

    /**
     * @param media  shown beside the words; null for none
     * @param layout of the options
     * @param phone  what it is on the phone; empty on the website
     */
    record MessageView(
            String from,
            String text,
            String html,
            List<Message.Offer> options,
            @Nullable Media media,
            String layout,
            List<Piece> phone) {}

    /** A clause of what the visitor said. @param kind that it was taken for */
    record ClauseView(int key, String words, String kind) {}

    /**
     * A turn as the dock shows it.
     *
     * @param problem why the event was not taken; empty if it was
     * @param waits   {@code time}, {@code signal} or {@code file} where the designer can bring it about; otherwise empty
     * @param seen    what was asked outside, and what came of it
     * @param many    whether several options may be picked
     * @param at      id of the step the conversation stands at now; empty for none
     */
    record View(
            String rehearsal,
            String problem,
            List<MessageView> messages,
            List<TraceLine> trace,
            Map<String, String> variables,
            List<String> effects,
            List<Outside.Seen> seen,
            List<ClauseView> clauses,
            String speaker,
            String waits,
            boolean many,
            String flow,
            String at) {

        /** What is no turn of the conversation. */
        static View of(String rehearsal, String problem, List<MessageView> messages) {
            return new View(
                    rehearsal, problem, messages, List.of(), Map.of(), List.of(), List.of(), List.of(), "", "", false,
                    "", "");
        }

        /** Only what a visitor would see. */
        View bare() {
            return new View(
                    rehearsal, problem, messages, List.of(), Map.of(), List.of(), List.of(), List.of(), speaker, waits,
                    many, "", "");
        }
    }

    private final BotService bots;
    private final Rehearsals rehearsals;
    private final Markdown markdown;
    private final PhoneView phones;

    RehearsalController(BotService bots, Rehearsals rehearsals, Markdown markdown, PhoneView phones) {
        this.phones = phones;
        this.bots = bots;
        this.rehearsals = rehearsals;
        this.markdown = markdown;
    }

    @PostMapping
    View begin(@PathVariable String id, @RequestBody Told asked) {
        PhoneKind phone = asked.phone();
        String channel = phone == null ? Rehearsals.WEB : phone.key();
        Bot bot = bots.bot(id);
        return view(rehearsals.begin(bot, Outside.Scene.of(asked.outside(), asked.day()), channel), bot, phone);
    }

    @PostMapping("/turns")
    ResponseEntity<View> tell(@PathVariable String id, @RequestBody Told asked) {
        Bot bot = bots.bot(id);
        String rehearsal = asked.rehearsal() == null ? "" : asked.rehearsal();
        String text = asked.text() == null ? "" : Words.clean(asked.text());
        boolean goesOn = Boolean.TRUE.equals(asked.goOn());
        List<String> pick = asked.pick() == null
                ? List.of()
                : asked.pick().stream().filter(Objects::nonNull).toList();
        boolean picks = !pick.isEmpty();
        Outside.Scene scene = Outside.Scene.of(asked.outside(), asked.day());
        if (!picks && !goesOn && (text.isBlank() || text.length() > Words.LONGEST_MESSAGE)) {
            return ResponseEntity.unprocessableContent()
                    .body(problem(rehearsal, "A message has 1 to " + Words.LONGEST_MESSAGE + " readable characters."));
        }
        Optional<View> further = further(rehearsal, bot, asked, pick);
        if (further.isPresent()) {
            return ResponseEntity.ok(further.get());
        }
        Optional<Rehearsals.Played> told = goesOn
                ? rehearsals.goOn(rehearsal, bot, scene)
                : picks ? rehearsals.pick(rehearsal, bot, scene, pick) : rehearsals.say(rehearsal, bot, scene, text);
        return told.map(played -> ResponseEntity.ok(view(played, bot, asked.phone())))
                .orElseGet(() -> ResponseEntity.status(410)
                        .body(problem(rehearsal, "This rehearsal is over. Start it again to go on.")));
    }

    /** The next options of a list on a phone, which is no turn. */
    private Optional<View> further(String rehearsal, Bot bot, Told asked, List<String> pick) {
        PhoneKind phone = asked.phone();
        return phone != null && pick.size() == 1 && Replied.pressed(pick.getFirst()) instanceof Replied.More(int page)
                ? rehearsals.prompt(rehearsal, bot).map(prompt -> {
                    Rendering.Shown shown = new Rendering.Shown("", prompt.options(), prompt.many(), "", "");
                    List<Piece> pieces = Rendering.of(phone, shown, page, phones.words(bot.id()));
                    MessageView next = new MessageView("bot", "", "", List.of(), null, "list", pieces);
                    return View.of(rehearsal, "", List.of(next));
                })
                : Optional.empty();
    }

    private View view(Rehearsals.Played played, Bot bot, @Nullable PhoneKind phone) {
        return switch (played.turn()) {
            case Turn.Refused(Turn.Reason reason) ->
                problem(
                        played.rehearsal(),
                        reason == Turn.Reason.ENDED
                                ? "The conversation has ended. Start again to go on."
                                : "That cannot be taken now.");
            case Turn.Taken turn -> {
                Map<String, String> variables = new LinkedHashMap<>();
                for (Map.Entry<String, Value> variable :
                        turn.state().variables().entrySet()) {
                    variables.put(variable.getKey(), variable.getValue().shown());
                }
                var at = turn.state().at();
                PhoneWords words = phones.words(bot.id());
                yield new View(
                        played.rehearsal(),
                        "",
                        turn.messages().stream()
                                .map(message -> view(message, phone, words))
                                .toList(),
                        turn.trace(),
                        variables,
                        EffectWords.of(turn),
                        played.seen(),
                        played.clauses().entrySet().stream()
                                .map(clause -> new ClauseView(
                                        clause.getKey(),
                                        clause.getValue().words(),
                                        clause.getValue().kind().key()))
                                .toList(),
                        turn.state().speaker().key(),
                        waits(turn.state().awaiting()),
                        turn.messages().stream()
                                .anyMatch(m -> m.look() != null && m.look().many()),
                        at == null ? "" : at.flow(),
                        at == null ? "" : at.step());
            }
        };
    }

    private static String waits(@Nullable Awaiting awaiting) {
        return switch (awaiting) {
            case Awaiting.Time ignored -> "time";
            case Awaiting.Signal ignored -> "signal";
            case Awaiting.Reply reply -> reply.type() == ValueType.FILE ? "file" : "";
            case null, default -> "";
        };
    }

    private MessageView view(Message message, @Nullable PhoneKind phone, PhoneWords words) {
        boolean plain = message.from() == Message.From.VISITOR;
        Message.Look look = message.look();
        return new MessageView(
                message.from().key(),
                message.text(),
                plain ? "" : markdown.html(message.text()),
                message.options(),
                look == null ? null : look.media(),
                (look == null || look.layout() == null ? Choice.Layout.BUTTONS : look.layout()).key(),
                phone == null || plain ? List.of() : phones.pieces(phone, message, words));
    }

    private static View problem(String rehearsal, String problem) {
        return View.of(rehearsal, problem, List.of());
    }
}
