package com.shuttle.api;

import com.shuttle.web.Access;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** The page that shows what the interface offers, drawn from its OpenAPI description. */
@Controller
@Access(Access.Who.EVERYBODY)
class DocsController {

    @GetMapping("/api/docs")
    String docs() {
        return "api/docs";
    }
}
