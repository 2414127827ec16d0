package com.shuttle.studio;

import com.shuttle.bots.BotService;
import com.shuttle.channels.Channels;
import com.shuttle.channels.PhoneView;
import com.shuttle.core.channel.Misfit;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.channel.PhoneWords;
import com.shuttle.core.channel.Piece;
import com.shuttle.core.channel.Rendering;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.flow.Choice;
import com.shuttle.web.Access;
import com.shuttle.web.Markdown;
import com.shuttle.web.Missing;
import java.util.List;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** What a choice looks like on the phones that its bot answers on. */
@Controller
@Access(Access.Who.DESIGNER)
class PhonesLookController {

    private final BotService bots;
    private final Channels channels;
    private final PhoneView phones;

    PhonesLookController(BotService bots, Channels channels, PhoneView phones) {
        this.bots = bots;
        this.channels = channels;
        this.phones = phones;
    }

    /** On one kind of phone. */
    public record Look(PhoneKind kind, List<PieceView> pieces, List<Misfit> misfits) {}

    /** @param groups what can be pressed; buttons are one group without a title */
    public record PieceView(String text, List<Piece.Group> groups) {
        static PieceView of(Piece piece) {
            return switch (piece) {
                case Piece.Buttons buttons ->
                    new PieceView(
                            buttons.text(),
                            List.of(new Piece.Group(
                                    "",
                                    buttons.buttons().stream()
                                            .map(one -> new Piece.Row(one.id(), one.title(), ""))
                                            .toList())));
                case Piece.Rows rows -> new PieceView(rows.text(), rows.groups());
                default -> new PieceView(piece.text(), List.of());
            };
        }
    }

    @GetMapping("/bots/{id}/flows/{flow}/phones/{step}")
    String phones(@PathVariable String id, @PathVariable String flow, @PathVariable String step, Model model) {
        Choice choice = bots.draft(id, flow)
                .flow()
                .findStep(step)
                .filter(Choice.class::isInstance)
                .map(Choice.class::cast)
                .orElseThrow(() -> new Missing("choice", step));
        Rendering.Shown shown = new Rendering.Shown(
                Markdown.plain(choice.ask().getFirst()),
                choice.options().stream()
                        .map(one -> new Offer(one.id(), one.label(), one.text(), one.group(), "", "", one.link()))
                        .toList(),
                choice.many(),
                "",
                "");
        PhoneWords words = phones.words(id);
        model.addAttribute(
                "looks",
                channels.of(id).stream()
                        .map(kind -> new Look(
                                kind,
                                Rendering.of(kind, shown, 0, words).stream()
                                        .map(PieceView::of)
                                        .toList(),
                                Misfit.of(kind, shown)))
                        .toList());
        return "studio/phones :: phones";
    }
}
