package com.shuttle.core.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Header;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import java.net.URI;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What goes in stays where its placeholder stands. */
class RequestsTest {

    private static final List<Input> INPUTS = List.of(
            new Input("name", Kind.TEXT, true, "Ada"),
            new Input("count", Kind.NUMBER, false, ""),
            new Input("member", Kind.YES_NO, false, ""));

    private static Service service(String method, String path, List<Header> headers, BodyForm form, String body) {
        return new Service(
                "Test",
                "",
                INPUTS,
                new Request(method, path, headers, form, body),
                List.of(),
                List.of(new Result("done", "done", "2xx", "", "")),
                new Care(5, 1, false));
    }

    private static Service json(String body) {
        return service("POST", "/", List.of(), BodyForm.JSON, body);
    }

    private static Prepared made(Service service, Map<String, String> values) {
        assertThat(Requests.make(service, values)).isInstanceOf(Requests.Made.Ready.class);
        return ((Requests.Made.Ready) Requests.make(service, values)).request();
    }

    private static String refused(Service service, Map<String, String> values) {
        assertThat(Requests.make(service, values)).isInstanceOf(Requests.Made.Refused.class);
        return ((Requests.Made.Refused) Requests.make(service, values)).why();
    }

    @Test
    void jsonHasLiteralsOfTheirKindAndEscapesWithinStrings() {
        Service service = json("""
                {"name": {{name}}, "count": {{count}}, "member": {{member}}, "line": "For {{name}} \\"x\\"", "no": {{ none }}}""");
        Prepared made = made(service, Map.of("name", "Ada \"Mill\"\n", "count", "12", "member", "true"));
        JsonNode tree = JsonMapper.shared().readTree(made.body());
        assertThat(tree.path("name").asString()).isEqualTo("Ada \"Mill\"\n");
        assertThat(tree.path("count").isNumber()).isTrue();
        assertThat(tree.path("member").isBoolean()).isTrue();
        assertThat(tree.path("line").asString()).isEqualTo("For Ada \"Mill\"\n \"x\"");
        assertThat(tree.path("no").isNull()).isTrue();
        assertThat(made.contentType()).isEqualTo("application/json");
    }

    @Property(tries = 300)
    void nothingBreaksOutOfJson(@ForAll @StringLength(min = 1, max = 60) String value) {
        Service service = json("{\"a\": {{name}}, \"b\": \"<{{name}}>\"}");
        if (value.isBlank()) {
            return;
        }
        JsonNode tree = JsonMapper.shared()
                .readTree(made(service, Map.of("name", value)).body());
        assertThat(tree.size()).isEqualTo(2);
        assertThat(tree.path("a").asString()).isEqualTo(value);
        assertThat(tree.path("b").asString()).isEqualTo("<" + value + ">");
    }

    @Property(tries = 300)
    void nothingBreaksOutOfAnAddress(@ForAll @StringLength(min = 1, max = 40) String value) {
        Service service = service("GET", "/people/{{name}}/all?q={{name}}&x=1", List.of(), BodyForm.NONE, "");
        if (value.isBlank()
                || value.matches("\\.{1,2}")
                || value.chars().anyMatch(c -> Character.isSurrogate((char) c))) {
            return;
        }
        URI uri = URI.create(
                "https://records.example" + made(service, Map.of("name", value)).path());
        assertThat(uri.getHost()).isEqualTo("records.example");
        assertThat(uri.getPath()).isEqualTo("/people/" + value + "/all");
        assertThat(uri.getRawQuery()).endsWith("&x=1");
        assertThat(uri.getRawQuery().split("&")).hasSize(2);
        assertThat(uri.getRawFragment()).isNull();
    }

    @Test
    void headersCannotBeSplit() {
        Service service = service("GET", "/", List.of(new Header("X-Name", "for {{name}}")), BodyForm.NONE, "");
        assertThat(made(service, Map.of("name", "Ada\r\nX-Evil: 1")).headers())
                .containsExactly(new Header("X-Name", "for Ada X-Evil: 1"));
    }

    @Test
    void formsLeaveOutWhatIsNotKnown() {
        Service service = service("POST", "/", List.of(), BodyForm.FORM, "name={{name}}\ncount={{count}}\nfixed=a b\n");
        assertThat(made(service, Map.of("name", "A&b=c")).body()).isEqualTo("name=A%26b%3Dc&fixed=a+b");
    }

    @Test
    void whatIsNeededAndDotsInPathsAreRefused() {
        Service service = service("GET", "/people/{{name}}", List.of(), BodyForm.NONE, "");
        assertThat(refused(service, Map.of())).contains("name");
        assertThat(refused(service, Map.of("name", ".."))).contains("name");
    }

    @Test
    void faultsAreNamedByTheirPlace() {
        Service service = new Service(
                "",
                "",
                List.of(new Input("Name", Kind.TEXT, false, ""), new Input("a", Kind.LIST, false, "")),
                new Request(
                        "POST",
                        "x y",
                        List.of(new Header("Authorization", "x"), new Header("a b", "c")),
                        BodyForm.JSON,
                        "{\"a\": {{b}} oops}"),
                List.of(new Service.Output("b", Kind.TEXT, "number", "")),
                List.of(new Result("r", "failed", "2xx", "", ""), new Result("s", "s", "maybe", "", "")),
                new Care(0, 99, false));
        assertThat(ServiceChecks.faults(service).keySet())
                .containsExactlyInAnyOrder(
                        "name",
                        "inputs.0",
                        "inputs.1",
                        "path",
                        "headers.0",
                        "headers.1",
                        "request",
                        "body",
                        "outputs.0",
                        "results.0",
                        "results.1");
        assertThat(service.care()).isEqualTo(new Care(1, 5, false));
        assertThat(ServiceChecks.faults(json("{\"a\": {{name}}}"))).isEmpty();
        assertThat(Service.read(service.json())).isEqualTo(service);
    }
}
