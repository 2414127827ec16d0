package com.shuttle.services;

import com.shuttle.core.service.OpenApi;
import com.shuttle.core.service.OpenApi.Description;
import com.shuttle.core.service.OpenApi.Operation;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.MostBytes;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;
import tools.jackson.core.JacksonException;
import tools.jackson.dataformat.yaml.YAMLMapper;

/** Services from an OpenAPI file: it is read, its operations are chosen, and drafts are made of them. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/services/import")
class OpenApiController {

    private static final String READ = "services.openapi";
    private static final int LARGEST = 5_000_000;

    private final Catalogue catalogue;
    private final YAMLMapper yaml = new YAMLMapper();

    OpenApiController(Catalogue catalogue) {
        this.catalogue = catalogue;
    }

    @MostBytes(MostBytes.FILE)
    @PostMapping
    String read(@RequestParam MultipartFile file, HttpSession session, RedirectAttributes flash) throws IOException {
        String text = new String(file.getBytes(), StandardCharsets.UTF_8);
        Optional<Description> description = text.length() > LARGEST ? Optional.empty() : described(text);
        if (description.isEmpty() || description.get().operations().isEmpty()) {
            flash.addFlashAttribute(
                    "errors", Map.of("file", "This is no OpenAPI file of version 3 with operations in it."));
            return "redirect:/services";
        }
        session.setAttribute(READ, text);
        return "redirect:/services/import";
    }

    /** YAML has JSON within it. */
    private Optional<Description> described(String text) {
        try {
            return OpenApi.read(yaml.readTree(text));
        } catch (JacksonException e) {
            return Optional.empty();
        }
    }

    private Optional<Description> kept(HttpSession session) {
        return session.getAttribute(READ) instanceof String text ? described(text) : Optional.empty();
    }

    @GetMapping
    String choose(HttpSession session, Model model) {
        Optional<Description> description = kept(session);
        if (description.isEmpty()) {
            return "redirect:/services";
        }
        if (!model.containsAttribute("form")) {
            Map<String, String> form = new LinkedHashMap<>();
            form.put("name", description.get().title());
            form.put("address", description.get().address());
            form.put("kind", description.get().way());
            form.put("who", description.get().who());
            form.put("tokenAddress", description.get().tokens());
            form.put("scope", "");
            model.addAttribute("form", form);
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("description", description.get());
        model.addAttribute("hasSecret", false);
        model.addAttribute("connections", catalogue.connections());
        model.addAttribute("kinds", Connection.Kind.values());
        return "services/import";
    }

    /** @param form with {@code connection} for one there is, or the parts of a new one; {@code operation} for those chosen */
    @PostMapping("/take")
    String take(
            @RequestParam Map<String, String> form,
            @RequestParam(name = "operation", defaultValue = "") List<String> operations,
            HttpSession session,
            RedirectAttributes flash) {
        Optional<Description> description = kept(session);
        if (description.isEmpty()) {
            return "redirect:/services";
        }
        List<Operation> chosen = description.get().operations().stream()
                .filter(one -> operations.contains(one.method() + " " + one.path()))
                .toList();
        if (chosen.isEmpty()) {
            return again(form, Map.of("operation", "Please choose at least one."), flash);
        }
        String connection = form.getOrDefault("connection", "");
        if (connection.isEmpty()) {
            switch (catalogue.keep(ConnectionController.typed("", form))) {
                case Checked.Good<String>(String id) -> connection = id;
                case Checked.Bad<String> bad -> {
                    return again(form, bad.errors(), flash);
                }
            }
        }
        session.removeAttribute(READ);
        String last = "";
        for (Operation operation : chosen) {
            last = catalogue.add(operation.service(), connection);
        }
        flash.addFlashAttribute(
                "said", "Made as drafts: look at what goes in and comes out, try them out, and publish them.");
        return chosen.size() == 1 ? "redirect:/services/" + last : "redirect:/services";
    }

    private static String again(Map<String, String> form, Map<String, String> errors, RedirectAttributes flash) {
        Map<String, String> shown = new LinkedHashMap<>(form);
        shown.remove("secret");
        flash.addFlashAttribute("form", shown);
        flash.addFlashAttribute("errors", errors);
        return "redirect:/services/import";
    }
}
