package com.shuttle.core.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.service.OpenApi.Description;
import com.shuttle.core.service.Service.BodyForm;
import com.shuttle.core.service.Service.Input;
import com.shuttle.core.service.Service.Output;
import java.util.List;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

/** Services made of a description. */
class OpenApiTest {

    private static final String FILE = """
            {"openapi":"3.1.0","info":{"title":"Loans"},"servers":[{"url":"https://loans.example/v2/"}],
             "paths":{"/loans/{loanId}/notes":{
               "parameters":[{"$ref":"#/components/parameters/Loan"},{"name":"session","in":"cookie","schema":{"type":"string"}}],
               "post":{"operationId":"addLoanNote","summary":"Adds a note",
                 "parameters":[{"name":"notify","in":"query","schema":{"type":"boolean"}}],
                 "requestBody":{"content":{"application/json":{"schema":{"$ref":"#/components/schemas/Note"}}}},
                 "responses":{"201":{"description":"added","content":{"application/json":{"schema":{"$ref":"#/components/schemas/Kept"}}}},
                   "404":{"description":"no such loan"},"500":{"description":"broken"}}}}},
             "components":{"securitySchemes":{"k":{"type":"apiKey","in":"query","name":"key"}},
               "parameters":{"Loan":{"name":"loanId","in":"path","required":true,"schema":{"type":"integer"},"example":7}},
               "schemas":{
                 "Note":{"type":"object","required":["text","by"],"properties":{"text":{"type":"string","example":"ok"},
                   "due":{"type":"string","format":"date"},"tags":{"type":"array","items":{"type":"string"}},
                   "by":{"type":"object","required":["name"],"properties":{"name":{"type":["string","null"]}}}}},
                 "Kept":{"allOf":[{"$ref":"#/components/schemas/Note"},{"type":"object","properties":{
                   "number":{"type":"integer"},"again":{"$ref":"#/components/schemas/Kept"},"lost":{"$ref":"#/nowhere"}}}]}}}}""";

    private static Description read(String file) {
        return OpenApi.read(JsonMapper.shared().readTree(file)).orElseThrow();
    }

    @Test
    void anOperationBecomesAServiceThatLacksNothing() {
        Description description = read(FILE);
        assertThat(description.address()).isEqualTo("https://loans.example/v2");
        assertThat(description.way() + " " + description.who()).isEqualTo("query key");
        OpenApi.Operation operation = description.operations().getFirst();
        Service service = operation.service();
        assertThat(ServiceChecks.faults(service)).isEmpty();
        assertThat(service.name()).isEqualTo("Add loan note");
        assertThat(service.request().method()).isEqualTo("POST");
        assertThat(service.request().path()).isEqualTo("/loans/{{loan_id}}/notes?notify={{notify}}");
        assertThat(service.request().form()).isEqualTo(BodyForm.JSON);
        assertThat(service.request().body().replaceAll("\\s+", " "))
                .isEqualTo("{ \"text\": {{text}}, \"due\": {{due}}, \"by\": { \"name\": {{by_name}} } }");
        assertThat(service.inputs())
                .containsExactly(
                        new Input("loan_id", Kind.NUMBER, true, "7"),
                        new Input("notify", Kind.YES_NO, false, ""),
                        new Input("text", Kind.TEXT, true, "ok"),
                        new Input("due", Kind.DATE, false, ""),
                        new Input("by_name", Kind.TEXT, true, ""));
        assertThat(service.outputs())
                .contains(
                        new Output("number", Kind.NUMBER, "/number", ""),
                        new Output("tags", Kind.LIST, "/tags", ""),
                        new Output("by_name", Kind.TEXT, "/by/name", ""));
        assertThat(service.results())
                .extracting(Service.Result::name, Service.Result::status)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple("added", "201"),
                        org.assertj.core.groups.Tuple.tuple("no such loan", "404"));
        assertThat(operation.left()).isEqualTo("session, tags");
    }

    @Test
    void otherFilesAreNone() {
        for (String file :
                List.of("{}", "[]", "{\"openapi\":\"2.0\",\"paths\":{}}", "{\"openapi\":\"3.0.0\",\"paths\":[]}")) {
            assertThat(OpenApi.read(JsonMapper.shared().readTree(file))).isEmpty();
        }
        String circle =
                "{\"openapi\":\"3.0.0\",\"paths\":{\"/a\":{\"get\":{\"requestBody\":{\"$ref\":\"#/x\"}}}},\"x\":{\"$ref\":\"#/x\"}}";
        assertThat(read(circle).operations().getFirst().service().results()).hasSize(1);
    }
}
