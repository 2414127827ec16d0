package com.shuttle.studio;

import com.shuttle.bots.BotService;
import com.shuttle.bots.MediaService;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.MostBytes;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Pictures and files of bots: uploading them, and showing them to anybody. */
@RestController
@Access(Access.Who.DESIGNER)
class MediaController {

    private final BotService bots;
    private final KnowledgeService knowledge;
    private final MediaService media;

    MediaController(BotService bots, KnowledgeService knowledge, MediaService media) {
        this.bots = bots;
        this.knowledge = knowledge;
        this.media = media;
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping("/bots/{id}/media")
    ResponseEntity<Map<String, String>> upload(@PathVariable String id, @RequestParam MultipartFile file)
            throws IOException {
        return kept(media.keep(bots.bot(id).id(), file));
    }

    /** A picture for an article. */
    @MostBytes(MostBytes.FILE)
    @PostMapping("/knowledge/{id}/pictures")
    ResponseEntity<Map<String, String>> picture(@PathVariable String id, @RequestParam MultipartFile file)
            throws IOException {
        knowledge.collection(id);
        return kept(media.keep(null, file));
    }

    private static ResponseEntity<Map<String, String>> kept(Checked<String> kept) {
        return switch (kept) {
            case Checked.Good<String>(String address) -> ResponseEntity.ok(Map.of("address", address));
            case Checked.Bad<String> bad ->
                ResponseEntity.unprocessableContent()
                        .body(Map.of("refused", String.join(" ", bad.errors().values())));
        };
    }

    @GetMapping("/media/{id}")
    @Access(Access.Who.EVERYBODY)
    ResponseEntity<Resource> show(@PathVariable String id) {
        MediaService.Stored stored = media.find(id).orElseThrow(() -> new Missing("file", id));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(stored.type()))
                .cacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic())
                .header("Content-Security-Policy", "sandbox; default-src 'none'")
                .body(new FileSystemResource(stored.file()));
    }
}
