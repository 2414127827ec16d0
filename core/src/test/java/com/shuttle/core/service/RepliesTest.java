package com.shuttle.core.service;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.reading.Value;
import com.shuttle.core.service.Service.Care;
import com.shuttle.core.service.Service.Output;
import com.shuttle.core.service.Service.Request;
import com.shuttle.core.service.Service.Result;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a reply means. */
class RepliesTest {

    private static final Service SERVICE = new Service(
            "Test",
            "",
            List.of(),
            Request.PLAIN,
            List.of(
                    new Output("number", Kind.TEXT, "/booking/number", "B-1"),
                    new Output("left", Kind.NUMBER, "/left", "3"),
                    new Output("day", Kind.DATE, "/day", "2027-03-01"),
                    new Output("sure", Kind.YES_NO, "/sure", "yes"),
                    new Output("names", Kind.LIST, "/names", "a, b")),
            List.of(
                    new Result("booked", "booked", "200, 201", "/state", "Booked"),
                    new Result("full", "full", "4xx", "", ""),
                    new Result("any", "any", "200", "/booking", "")),
            new Care(5, 1, false));

    @Test
    void theFirstResultThatFitsIsTakenWithItsOutputs() {
        CallResult came = Replies.read(SERVICE, 201, """
                {"state":"booked","booking":{"number":17},"left":"4","day":"2027-03-01T10:00:00Z","sure":true,"names":["x",2,null]}""");
        assertThat(came.result()).isEqualTo("booked");
        assertThat(came.outputs())
                .isEqualTo(Map.of(
                        "number", new Value.Text("17"),
                        "left", Value.Numeric.of(4),
                        "day", new Value.Day(LocalDate.of(2027, 3, 1)),
                        "sure", new Value.YesNo(true),
                        "names", new Value.Many(List.of("x", "2"))));
        assertThat(Replies.read(SERVICE, 200, "{\"booking\":{}}").result()).isEqualTo("any");
        assertThat(SERVICE.examples()).hasSize(5).containsEntry("names", new Value.Many(List.of("a", "b")));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "500 | {}                          | status 500",
                "302 |                             | status 302",
                "200 | {\"state\":\"later\"}       | status 200",
                "200 | <h1>Back soon</h1>          | status 200",
                "409 | <h1>Back soon</h1>          | no JSON",
                "409 | {\"left\":\"many\"}         | /left is no number",
                "409 | {\"booking\":{\"number\":{}}} | /booking/number is no text",
                "409 | {\"day\":\"2027-02-30\"}    | /day is no date"
            })
    void whatDoesNotFitHasFailedAndSaysWhy(int status, String body, String why) {
        CallResult came = Replies.read(SERVICE, status, body == null ? "" : body);
        assertThat(came.hasFailed()).isTrue();
        assertThat(came.why()).contains(why);
    }

    @Test
    void aReplyWithoutTextHasNoOutputs() {
        assertThat(Replies.read(SERVICE, 404, "")).isEqualTo(CallResult.came("full", Map.of()));
    }
}
