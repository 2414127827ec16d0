package com.shuttle.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.settings.Role;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The form of the calls that read what people typed. */
@ServerTest
class ReadingsApiTest {

    private final TestData data;
    private final int port;
    private final HttpClient http = HttpClient.newHttpClient();

    ReadingsApiTest(TestData data, @LocalServerPort int port) {
        this.data = data;
        this.port = port;
    }

    private HttpResponse<String> call(String path, String json) throws Exception {
        String token = data.accounts.createToken(data.person(Role.DESIGNER).id(), "test");
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/api/v1/readings" + path))
                .header("Content-Type", "application/json")
                .header("Authorization", "Bearer " + token)
                .POST(BodyPublishers.ofString(json.replace('\'', '"')))
                .build();
        return http.send(request, BodyHandlers.ofString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '~',
            value = {
                "'type':'number','text':'about a dozen'|value|12",
                "'type':'money','region':'GB','text':'£2.5k'|value|{\"amount\":2500.0,\"currency\":\"GBP\"}",
                "'type':'date','text':'the 27th'|value|\"2026-03-27\"",
                "'type':'time','text':'5pm'|value|\"17:00\"",
                "'type':'date_time','text':'tomorrow at noon'|value|\"2026-03-11T12:00\"",
                "'type':'phone','text':'020 7946 0018'|value|\"+442079460018\"",
                "'type':'yes_no','text':'go on then'|value|true",
                "'type':'choice','options':['Tea','Coffee'],'text':'coffee please'|value|\"Coffee\"",
                "'type':'choice','options':['Refund','Repair','Replacement'],'text':'want my money back'|value|\"Refund\"",
                "'type':'multi_choice','options':['Tea','Coffee','Milk'],'text':'all but milk'|value|[\"Tea\",\"Coffee\"]",
                "'type':'email','text':'I would rather not'|refused|null",
                "'type':'email','text':'what for?'|asked_back|null",
                "'type':'date','text':'next friday'|unclear|null",
                "'type':'date','text':'31 june'|none|null",
            })
    void oneValueIsRead(String asked, String outcome, String value) throws Exception {
        HttpResponse<String> reply = call("", "{" + asked + ",'now':'2026-03-10T09:15'}");
        assertThat(reply.statusCode()).isEqualTo(200);
        JsonNode read = JsonMapper.shared().readTree(reply.body());
        assertThat(read.get("outcome").asString()).isEqualTo(outcome);
        assertThat(read.get("value").toString()).isEqualTo(value);
        assertThat(read.get("candidates").size()).isEqualTo(outcome.equals("unclear") ? 2 : 0);
    }

    @Test
    void severalValuesAreRead() throws Exception {
        HttpResponse<String> reply = call(
                "/several",
                "{'region':'GB','now':'2026-03-10T09:15','slots':[{'name':'party','type':'number'},{'name':'when','type':'date'},"
                        + "{'name':'email','type':'email'}],'text':'24 of us on 3 May'}");
        assertThat(reply.body()).isEqualTo("{\"values\":{\"party\":24,\"when\":\"2026-05-03\",\"email\":null}}");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|{'type':'nonsense','text':'x'}|no type",
                "''|{'type':'date','now':'yesterday','text':'x'}|a date and time like",
                "''|{'type':'date','region':'Great Britain','text':'x'}|country code",
                "/several|{'slots':[],'text':'x'}|slots are needed",
                "/several|{'slots':[{'type':'number'}],'text':'x'}|needs a name",
            })
    void unfitCallsAreToldWhy(String path, String json, String why) throws Exception {
        HttpResponse<String> reply = call(path, json.replace("{'type'", "{\"type\""));
        assertThat(reply.statusCode()).isEqualTo(422);
        assertThat(reply.headers().firstValue("Content-Type")).contains("application/problem+json");
        assertThat(reply.body()).contains(why);
    }

    @Test
    void aMessageOfAnyLengthIsReadOrRefused() throws Exception {
        assertThat(call("", "{'type':'text','text':'" + "x".repeat(4001) + "'}").statusCode())
                .isEqualTo(422);
        assertThat(call("", "{'type':'number','text':'" + "9".repeat(4000) + "'}")
                        .statusCode())
                .isEqualTo(200);
        assertThat(call("", "{'type':'date','text':''}").body()).contains("\"outcome\":\"none\"");
    }
}
