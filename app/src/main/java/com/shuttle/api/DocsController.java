package com.shuttle.api;

import com.shuttle.core.flow.FlowSchema;
import com.shuttle.web.Access;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ResponseBody;

/** The page that shows what the interface offers, drawn from its OpenAPI description. */
@Controller
@Access(Access.Who.EVERYBODY)
class DocsController {

    /** What flow files must keep to. */
    @GetMapping(path = "/api/shuttle-flow-1.schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    @ResponseBody
    String schema() {
        return FlowSchema.text();
    }

    @GetMapping("/api/docs")
    String docs() {
        return "api/docs";
    }
}
