package com.shuttle.model;

import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import java.util.Map;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The settings of the language model, for administrators. */
@Controller
@Access(Access.Who.ADMINISTRATOR)
@RequestMapping("/settings/model")
class ModelController {

    private final ModelService models;
    private final Helper helper;

    ModelController(ModelService models, Helper helper) {
        this.models = models;
        this.helper = helper;
    }

    @GetMapping
    String settings(Model model) {
        if (!model.containsAttribute("form")) {
            ModelSettings settings = models.settings();
            model.addAttribute(
                    "form",
                    Map.of(
                            "enabled", settings.enabled() ? "on" : "",
                            "address", settings.address(),
                            "model", settings.name(),
                            "millis", Integer.toString(settings.millis())));
            model.addAttribute("errors", Map.of());
        }
        model.addAttribute("hasKey", !models.settings().key().isEmpty());
        return "settings/model";
    }

    @PostMapping
    String set(
            @RequestParam(defaultValue = "") String enabled,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "") String model,
            @RequestParam(defaultValue = "") String key,
            @RequestParam(defaultValue = "") String millis,
            RedirectAttributes flash) {
        int wait = millis.strip().matches("\\d{1,6}") ? Integer.parseInt(millis.strip()) : -1;
        if (models.set(!enabled.isEmpty(), address, model, key, wait) instanceof Checked.Bad<ModelSettings> bad) {
            flash.addFlashAttribute("errors", bad.errors());
            flash.addFlashAttribute(
                    "form", Map.of("enabled", enabled, "address", address, "model", model, "millis", millis));
        } else {
            flash.addFlashAttribute("saved", enabled.isEmpty() ? "off" : helper.replies() ? "replies" : "silent");
        }
        return "redirect:/settings/model";
    }
}
