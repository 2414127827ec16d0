package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.StepKind;
import com.shuttle.settings.Account;
import com.shuttle.settings.Role;
import com.shuttle.settings.SignedIn;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockHttpServletRequestBuilder;
import org.springframework.test.web.servlet.setup.MockMvcBuilders;
import org.springframework.web.context.WebApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What the script and the map ask of the server, with what a faulty page or a hostile one would send. */
@ServerTest
class WritingRoutesTest {

    private final TestData data;
    private final MockMvc http;
    private Bot bot;
    private Account designer;

    WritingRoutesTest(TestData data, WebApplicationContext context) {
        this.data = data;
        this.http = MockMvcBuilders.webAppContextSetup(context)
                .apply(SecurityMockMvcConfigurers.springSecurity())
                .build();
    }

    @BeforeEach
    void begin() {
        bot = data.bot();
        designer = data.person(Role.DESIGNER);
        data.bots.edit(bot.id(), "main", new Edit.Add(null, null, StepKind.MESSAGE), null);
        data.bots.edit(bot.id(), "main", new Edit.Set("n1", "text.0", "The dome is open."), null);
    }

    private Flow flow() {
        return data.bots.draft(bot.id(), "main").flow();
    }

    private MockHttpServletResponse call(MockHttpServletRequestBuilder request) throws Exception {
        return http.perform(request.with(user(new SignedIn(designer, null))).with(csrf()))
                .andReturn()
                .getResponse();
    }

    private MockHttpServletResponse send(String path, String json) throws Exception {
        return call(
                post("/bots/" + bot.id() + path).contentType("application/json").content(json));
    }

    private JsonNode json(MockHttpServletResponse response) throws Exception {
        return JsonMapper.shared().readTree(response.getContentAsString());
    }

    @Test
    void anEditTellsWhatItDidAndWhatIsKeptNow() throws Exception {
        MockHttpServletResponse made = send(
                "/flows/main/edits",
                "{\"edit\":\"set\",\"step\":\"n1\",\"field\":\"title\",\"value\":\"  Two   words \",\"was\":\"\"}");
        assertThat(made.getStatus()).isEqualTo(200);
        assertThat(json(made).get("stored").asString()).isEqualTo("Two words");
        assertThat(json(made).get("words").asString()).isEqualTo("named a step “Two words”");
        assertThat(json(made).get("canUndo").asBoolean()).isTrue();
    }

    @Test
    void aClashTellsTheOtherText() throws Exception {
        MockHttpServletResponse late = send(
                "/flows/main/edits",
                "{\"edit\":\"set\",\"step\":\"n1\",\"field\":\"text.0\",\"value\":\"Mine\",\"was\":\"What stood here\"}");
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(json(late).get("theirs").asString()).isEqualTo("The dome is open.");
        assertThat(flow().findStep("n1").orElseThrow().wordings()).containsExactly("The dome is open.");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "hello",
                "{}",
                "[1,2,3]",
                "{\"format\":\"shuttle-flow/1\",\"id\":\"x\",\"name\":\"X\",\"sections\":[]}",
                "{\"format\":\"shuttle-flow/9\",\"id\":\"x\",\"name\":\"X\",\"sections\":[{\"id\":\"s\",\"steps\":[]}]}",
                "{\"format\":\"shuttle-flow/1\",\"id\":\"x\",\"name\":\"X\",\"sections\":[{\"id\":\"s\",\"steps\":[{\"kind\":\"laser\",\"id\":\"a\"}]}]}",
            })
    void whatIsNoPieceOfAFlowIsNotPasted(String text) throws Exception {
        Flow before = flow();
        String form = JsonMapper.shared().writeValueAsString(new WritingController.PasteForm("n1", text));
        assertThat(send("/flows/main/paste", form).getStatus()).isEqualTo(422);
        assertThat(flow()).isEqualTo(before);
    }

    @Test
    void copiedStepsArePastedAndLeadToFlowsOnlyThatAreThere() throws Exception {
        data.bots.edit(bot.id(), "main", new Edit.Lead("n1", "next", "flow:elsewhere"), null);
        String copied = call(get("/bots/" + bot.id() + "/flows/main/steps").param("of", "n1"))
                .getContentAsString();
        assertThat(new FlowJson().readPiece(copied)).isInstanceOf(FlowJson.Result.Good.class);
        String form = JsonMapper.shared().writeValueAsString(new WritingController.PasteForm("n1", copied));
        MockHttpServletResponse pasted = send("/flows/main/paste", form);
        assertThat(json(pasted).get("focus").asString()).isEqualTo("n2");
        assertThat(flow().allSteps()).extracting(Step::name).containsExactly("The dome is open.", "The dome is open.");
        Bot other = data.bot();
        call(post("/bots/" + other.id() + "/flows/main/paste")
                .contentType("application/json")
                .content(JsonMapper.shared().writeValueAsString(new WritingController.PasteForm(null, copied))));
        assertThat(data.bots
                        .draft(other.id(), "main")
                        .flow()
                        .findStep("n1")
                        .orElseThrow()
                        .exits())
                .isEmpty();
    }

    @Test
    void aTextIsFoundAndReplacedInAllFlows() throws Exception {
        String other = TestData.good(data.bots.addFlow(bot.id(), "Other", null)).id();
        data.bots.edit(bot.id(), other, new Edit.Add(null, null, StepKind.END), null);
        data.bots.edit(bot.id(), other, new Edit.Set("n1", "text.0", "Goodbye from the dome"), null);
        JsonNode found = json(call(get("/bots/" + bot.id() + "/find").param("text", "DOME")));
        assertThat(found.size()).isEqualTo(2);
        assertThat(found.get(1).get("flowName").asString()).isEqualTo("Other");
        MockHttpServletResponse replaced = send("/replace", "{\"find\":\"dome\",\"with\":\"hall\",\"matchCase\":true}");
        assertThat(json(replaced).get("words").asString()).isEqualTo("Replaced in 2 places of 2 flows.");
        assertThat(flow().findStep("n1").orElseThrow().wordings()).containsExactly("The hall is open.");
        assertThat(json(call(get("/bots/" + bot.id() + "/find").param("text", " ")))
                        .size())
                .isZero();
    }

    @Test
    void theDrawingOfTheMapHasEveryStepWithItsWaysOut() throws Exception {
        data.bots.edit(bot.id(), "main", new Edit.Add("n1", null, StepKind.END), null);
        JsonNode drawing = json(call(get("/bots/" + bot.id() + "/flows/main/map/drawing")));
        assertThat(drawing.get("layout").get("nodes").size()).isEqualTo(2);
        assertThat(drawing.get("layout").get("lines").get(0).get("to").asString())
                .isEqualTo("n2");
        assertThat(drawing.get("shapes")
                        .get("n1")
                        .get("exits")
                        .get(0)
                        .get("target")
                        .asString())
                .isEqualTo("step:n2");
        assertThat(drawing.get("canUndo").asBoolean()).isTrue();
    }

    @Test
    void notesAndHistoryEscapeWhatWasTyped() throws Exception {
        assertThat(send("/flows/main/notes", "{\"step\":\"n1\",\"text\":\"<script>alert(1)</script>\"}")
                        .getStatus())
                .isEqualTo(200);
        assertThat(call(get("/bots/" + bot.id() + "/flows/main/notes")).getContentAsString())
                .contains("&lt;script&gt;alert(1)")
                .doesNotContain("<script>alert(1)");
        data.bots.edit(bot.id(), "main", new Edit.Set("n1", "title", "<img src=x onerror=alert(1)>"), null);
        assertThat(call(get("/bots/" + bot.id() + "/flows/main/history")).getContentAsString())
                .doesNotContain("<img src=x");
        assertThat(call(get("/bots/" + bot.id() + "/flows/main/compare")
                                .param("from", "0")
                                .param("to", "3"))
                        .getContentAsString())
                .contains("class=\"change added\"")
                .doesNotContain("<img src=x");
        assertThat(send("/flows/main/notes", "{\"step\":\"n1\",\"text\":\" \"}").getStatus())
                .isEqualTo(422);
    }

    @Test
    void flowsAndBotsThatAreNotThereAreMissing() throws Exception {
        assertThat(call(get("/bots/" + bot.id() + "/flows/none/map/drawing")).getStatus())
                .isEqualTo(404);
        assertThat(call(get("/bots/none/flows/main/notes")).getStatus()).isEqualTo(404);
        assertThat(call(get("/bots/" + bot.id() + "/flows/main/compare")
                                .param("from", "0")
                                .param("to", "77"))
                        .getStatus())
                .isEqualTo(404);
        assertThat(call(post("/bots/none/restore")).getStatus()).isEqualTo(404);
    }
}
