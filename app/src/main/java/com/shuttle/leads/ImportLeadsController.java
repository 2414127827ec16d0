package com.shuttle.leads;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.exchange.Uploads;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Access;
import com.shuttle.web.MostBytes;
import java.io.IOException;
import java.util.Map;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Leads from a file. */
@Controller
@Access(Access.Who.AGENT)
@RequestMapping("/leads/import")
class ImportLeadsController {

    private final LeadImport imports;
    private final LeadSetUp setUp;
    private final BotService bots;

    ImportLeadsController(LeadImport imports, LeadSetUp setUp, BotService bots) {
        this.imports = imports;
        this.setUp = setUp;
        this.bots = bots;
    }

    @GetMapping
    String show(Model model) {
        model.addAttribute("fields", setUp.fields());
        if (!model.containsAttribute("errors")) {
            model.addAttribute("errors", Map.of());
        }
        return "leads/import";
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping
    String bring(@RequestParam MultipartFile file, @AuthenticationPrincipal SignedIn person, RedirectAttributes flash)
            throws IOException {
        String region = bots.bots().stream().findFirst().map(Bot::region).orElse("");
        Uploads.Read read = Uploads.sheet(String.valueOf(file.getOriginalFilename()), file.getBytes());
        if (read.sheet() == null) {
            flash.addFlashAttribute("errors", Map.of("file", read.why()));
        } else {
            flash.addFlashAttribute(
                    "outcome",
                    imports.bring(read.sheet(), region, person.account().id()));
        }
        return "redirect:/leads/import";
    }
}
