package com.shuttle.exchange;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.marks.MarkService;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.MostBytes;
import java.io.IOException;
import java.io.InputStream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Bots as wholes, with what they use: copied, saved as files and loaded. */
@Controller
@Access(Access.Who.DESIGNER)
class BotFileController {

    private static final String LIST = "redirect:/bots";

    private final BotService bots;
    private final KnowledgeService knowledge;
    private final BotFiles files;
    private final MarkService marks;

    BotFileController(BotService bots, KnowledgeService knowledge, BotFiles files, MarkService marks) {
        this.marks = marks;
        this.bots = bots;
        this.knowledge = knowledge;
        this.files = files;
    }

    @PostMapping("/bots/{id}/duplicate")
    String duplicate(@PathVariable String id, @AuthenticationPrincipal SignedIn person) {
        Bot copy = bots.duplicate(id, person.account().id());
        knowledge.setCollections(copy.id(), knowledge.collectionsOf(id));
        marks.copy(id, copy.id(), person.account().id());
        return "redirect:/bots/" + copy.id() + "/profile";
    }

    @GetMapping("/bots/{id}/file")
    ResponseEntity<StreamingResponseBody> save(@PathVariable String id) {
        Bot bot = bots.bot(id);
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + bot.slug() + ".zip\"")
                .body(out -> files.writeUnchecked(id, out));
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping("/bots/file")
    String load(@RequestParam MultipartFile file, @AuthenticationPrincipal SignedIn person, RedirectAttributes flash)
            throws IOException {
        try (InputStream in = file.getInputStream()) {
            return switch (files.read(in, person.account().id())) {
                case Checked.Good<Bot>(Bot bot) -> LIST + "/" + bot.id() + "/profile";
                case Checked.Bad<Bot> bad -> {
                    flash.addFlashAttribute("errors", bad.errors());
                    yield LIST;
                }
            };
        }
    }
}
