package com.shuttle.panel;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotFrame;
import com.shuttle.bots.BotService;
import com.shuttle.core.cue.Happening;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.PublicAddress;
import java.util.List;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** How visitors come to a bot: on websites, at its own page, by a code. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/bots/{id}/share")
class ShareController {

    private static final int LONGEST_WORDS = 40;

    /** The form of a website that is not there yet. */
    private static final String NEW = "new";

    private final Sites sites;
    private final BotService bots;
    private final BotFrame frame;
    private final PublicAddress address;

    ShareController(Sites sites, BotService bots, BotFrame frame, PublicAddress address) {
        this.sites = sites;
        this.bots = bots;
        this.frame = frame;
        this.address = address;
    }

    /** A website in the list. @param code that its pages include @param secret of its server @param addresses a line each */
    public record Line(Site site, boolean shows, String code, String secret, String addresses) {}

    private Line line(Site site, String bot) {
        String code =
                "<script src=\"%s\" data-site=\"%s\" async></script>".formatted(address.of("/panel.js"), site.id());
        return new Line(site, site.bots().contains(bot), code, sites.secret(site), String.join("\n", site.addresses()));
    }

    private String page(Bot bot) {
        return address.of("/chat/" + bot.slug());
    }

    @GetMapping
    String share(@PathVariable String id, Model model) {
        Bot bot = frame.fill(id, "share", model);
        Presence presence = sites.presence(id);
        model.addAttribute("presence", presence);
        model.addAttribute(
                "cues",
                presence.cues().stream()
                        .filter(cue -> cue.on() && cue.what() != Happening.KEYWORD)
                        .count());
        model.addAttribute(
                "sites", sites.sites().stream().map(site -> line(site, id)).toList());
        model.addAttribute("page", page(bot));
        model.addAttribute("inside", "<div data-shuttle=\"%s\" style=\"height: 36rem\"></div>".formatted(bot.slug()));
        model.addAttribute("server", address.of(""));
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "panel/share";
    }

    @PostMapping
    String look(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String words,
            @RequestParam(defaultValue = "") String colour,
            @RequestParam(defaultValue = "") String side,
            RedirectAttributes flash) {
        if (words.strip().length() > LONGEST_WORDS) {
            flash.addFlashAttribute("errors", Map.of("words", "Up to %d characters, please.".formatted(LONGEST_WORDS)));
        } else {
            sites.change(
                    bots.bot(id).id(), before -> new Presence(before.on(), words.strip(), colour, side, before.cues()));
            flash.addFlashAttribute("said", "Kept. Websites show it within five minutes.");
        }
        return "redirect:/bots/" + id + "/share";
    }

    @PostMapping("/on")
    String turn(
            @PathVariable String id,
            @RequestParam(defaultValue = "false") boolean on,
            @RequestParam(defaultValue = "") String back,
            RedirectAttributes flash) {
        sites.change(bots.bot(id).id(), before -> before.switched(on));
        flash.addFlashAttribute("said", on ? "It shows on its websites again." : "It shows on no website now.");
        return back.equals("list") ? "redirect:/bots" : "redirect:/bots/" + id + "/share";
    }

    @PostMapping("/sites")
    String add(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String addresses,
            RedirectAttributes flash) {
        kept(sites.keep("", name, addresses, List.of(bots.bot(id).id())), NEW, name, addresses, flash);
        return "redirect:/bots/" + id + "/share#sites";
    }

    @PostMapping("/sites/{site}")
    String keep(
            @PathVariable String id,
            @PathVariable String site,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String addresses,
            RedirectAttributes flash) {
        kept(sites.keep(site, name, addresses, List.of()), site, name, addresses, flash);
        return "redirect:/bots/" + id + "/share#sites";
    }

    /** @param of the website whose form it was, or {@link #NEW} */
    private static void kept(
            Checked<Site> checked, String of, String name, String addresses, RedirectAttributes flash) {
        switch (checked) {
            case Checked.Good<Site>(Site site) -> flash.addFlashAttribute("said", "“" + site.name() + "” is kept.");
            case Checked.Bad<Site> bad -> {
                flash.addFlashAttribute("errors", bad.errors());
                flash.addFlashAttribute("errorsOf", of);
                flash.addFlashAttribute("name", name);
                flash.addFlashAttribute("addresses", addresses);
            }
        }
    }

    @PostMapping("/sites/{site}/show")
    String show(@PathVariable String id, @PathVariable String site, @RequestParam(defaultValue = "false") boolean on) {
        sites.show(site, bots.bot(id).id(), on);
        return "redirect:/bots/" + id + "/share#sites";
    }

    @PostMapping("/sites/{site}/delete")
    String delete(@PathVariable String id, @PathVariable String site, RedirectAttributes flash) {
        sites.delete(site);
        flash.addFlashAttribute("deletedSite", site);
        return "redirect:/bots/" + id + "/share#sites";
    }

    @PostMapping("/sites/{site}/restore")
    String restore(@PathVariable String id, @PathVariable String site) {
        sites.bringBack(site);
        return "redirect:/bots/" + id + "/share#sites";
    }

    // The code for cameras

    @GetMapping("/code.svg")
    ResponseEntity<String> svg(@PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(MediaType.valueOf("image/svg+xml"))
                .body(QrCode.svg(page(bots.bot(id))));
    }

    @GetMapping("/code.png")
    ResponseEntity<byte[]> png(@PathVariable String id) {
        return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(QrCode.png(page(bots.bot(id))));
    }
}
