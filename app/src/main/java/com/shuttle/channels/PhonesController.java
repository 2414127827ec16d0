package com.shuttle.channels;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.flow.Keyed;
import com.shuttle.panel.Sites;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Listing;
import com.shuttle.web.Missing;
import com.shuttle.web.PublicAddress;
import com.shuttle.web.Wanted;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** On which phone numbers a bot answers, and what was sent there. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/phones")
class PhonesController {

    /** The form of a number that is not there yet. */
    private static final String NEW = "new";

    private final Channels channels;
    private final Dispatcher dispatcher;
    private final Sites sites;
    private final BotService bots;
    private final BotFrame frame;
    private final PublicAddress address;

    PhonesController(
            Channels channels,
            Dispatcher dispatcher,
            Sites sites,
            BotService bots,
            BotFrame frame,
            PublicAddress address) {
        this.channels = channels;
        this.dispatcher = dispatcher;
        this.sites = sites;
        this.bots = bots;
        this.frame = frame;
        this.address = address;
    }

    /**
     * A channel in the list.
     *
     * @param answers whether the bot answers there
     * @param first   name of the bot that answers whoever writes no keyword; empty for none
     * @param in      where the gateway posts what people write
     * @param states  where it tells how far messages are
     */
    public record Line(Channel channel, boolean answers, String first, String key, String in, String states) {}

    private Line line(Channel channel, String bot) {
        return new Line(
                channel,
                channel.bots().contains(bot),
                channel.bots().stream()
                        .findFirst()
                        .flatMap(bots::find)
                        .map(Bot::name)
                        .orElse(""),
                channels.key(channel),
                address.of("/api/v1/channels/" + channel.id() + "/messages"),
                address.of("/api/v1/channels/" + channel.id() + "/states"));
    }

    @GetMapping
    String phones(@PathVariable String id, Model model) {
        frame.fill(id, "phones", model);
        model.addAttribute(
                "lines",
                channels.channels().stream().map(channel -> line(channel, id)).toList());
        model.addAttribute("kinds", PhoneKind.values());
        model.addAttribute(
                "keywords",
                sites.presence(id).cues().stream()
                        .filter(cue -> cue.on() && cue.what() == Happening.KEYWORD)
                        .map(Cue::words)
                        .flatMap(List::stream)
                        .toList());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
            model.addAttribute("errorsOf", "");
            model.addAttribute("typed", new Channels.Form("", PhoneKind.MESSENGER, "", "", ""));
        }
        return "channels/phones";
    }

    @PostMapping
    String add(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "messenger") String kind,
            @RequestParam(defaultValue = "") String number,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "") String template,
            RedirectAttributes flash) {
        PhoneKind read = Arrays.stream(PhoneKind.values())
                .filter(one -> one.key().equals(kind))
                .findFirst()
                .orElse(PhoneKind.MESSENGER);
        Channels.Form form = new Channels.Form(name, read, number, address, template);
        kept(channels.keep("", form, List.of(bots.bot(id).id())), form, NEW, flash);
        return "redirect:/bots/" + id + "/phones";
    }

    @PostMapping("/{channel}")
    String keep(
            @PathVariable String id,
            @PathVariable String channel,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String number,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "") String template,
            RedirectAttributes flash) {
        Channels.Form form = new Channels.Form(name, one(channel).kind(), number, address, template);
        kept(channels.keep(channel, form, List.of()), form, channel, flash);
        return "redirect:/bots/" + id + "/phones";
    }

    /** @param of the channel whose form it was, or {@link #NEW} */
    private static void kept(Checked<Channel> checked, Channels.Form form, String of, RedirectAttributes flash) {
        switch (checked) {
            case Checked.Good<Channel>(Channel channel) ->
                flash.addFlashAttribute("said", "“" + channel.name() + "” is kept.");
            case Checked.Bad<Channel> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("errorsOf", of);
                flash.addFlashAttribute("typed", form);
            }
        }
    }

    private Channel one(String channel) {
        return channels.channel(channel).orElseThrow(() -> new Missing("channel", channel));
    }

    @PostMapping("/{channel}/answer")
    String answer(
            @PathVariable String id, @PathVariable String channel, @RequestParam(defaultValue = "false") boolean on) {
        channels.answer(channel, bots.bot(id).id(), on);
        return "redirect:/bots/" + id + "/phones";
    }

    @PostMapping("/{channel}/delete")
    String delete(@PathVariable String id, @PathVariable String channel, RedirectAttributes flash) {
        channels.delete(channel);
        flash.addFlashAttribute("deletedChannel", channel);
        return "redirect:/bots/" + id + "/phones";
    }

    @PostMapping("/{channel}/restore")
    String restore(@PathVariable String id, @PathVariable String channel) {
        channels.bringBack(channel);
        return "redirect:/bots/" + id + "/phones";
    }

    // What was sent

    @GetMapping("/{channel}/sent")
    String sent(
            @PathVariable String id,
            @PathVariable String channel,
            @RequestParam Map<String, String> parameters,
            Model model) {
        frame.fill(id, "phones", model);
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute("channel", one(channel));
        model.addAttribute(
                "listing",
                Listing.of(
                                "/bots/" + id + "/phones/" + channel + "/sent",
                                wanted,
                                dispatcher.dispatches(channel, wanted))
                        .searched("Search numbers, words")
                        .filter(
                                "state",
                                "State",
                                "every state",
                                Listing.Option.of(List.of(Dispatch.State.values()), Keyed::key, Dispatch.State::label))
                        .columns(
                                Listing.Column.plain("To"),
                                Listing.Column.plain("What"),
                                Listing.Column.plain("State"),
                                Listing.Column.sorted("Made", "made")));
        return "channels/sent";
    }

    @PostMapping("/{channel}/sent/{message}/again")
    String again(@PathVariable String id, @PathVariable String channel, @PathVariable String message) {
        dispatcher.again(channel, message);
        return "redirect:/bots/" + id + "/phones/" + channel + "/sent";
    }
}
