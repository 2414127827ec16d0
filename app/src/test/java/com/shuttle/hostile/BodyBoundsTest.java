package com.shuttle.hostile;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.web.MostBytes;
import com.shuttle.web.Routes;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.context.WebApplicationContext;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** No route takes a body that is larger than it declares, whoever sends it and whatever it says of its length. */
@ServerTest
class BodyBoundsTest {

    private static final long HUGE = 400_000_000;

    private final RequestMappingHandlerMapping mapping;
    private final RawRequest raw;
    private final int port;

    BodyBoundsTest(@LocalServerPort int port, WebApplicationContext context) {
        this.port = port;
        this.mapping = context.getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class);
        this.raw = new RawRequest(port, InetAddress.ofLiteral("127.0.0.1"));
    }

    /** Nothing of the body is sent, so that whoever waits for it does not answer. */
    @Test
    void whatStatesThatItIsTooLargeIsRefusedBeforeItComes() throws IOException {
        List<String> paths = mapping.getHandlerMethods().keySet().stream()
                .filter(info -> info.getMethodsCondition().getMethods().contains(RequestMethod.POST))
                .flatMap(info -> info.getPatternValues().stream())
                .map(pattern -> pattern.replaceAll("\\{[^}]*}", "x"))
                .distinct()
                .toList();
        assertThat(paths).hasSizeGreaterThan(100);
        for (String path : paths) {
            String head = raw.send(
                    "POST",
                    path,
                    "localhost",
                    "Content-Type: application/json\r\nContent-Length: " + HUGE + "\r\n\r\n");
            assertThat(head).as(path).startsWith("HTTP/1.1 413");
        }
    }

    @ParameterizedTest
    @CsvSource({
        "/api/v1/chat/vesper/conversations, 1000000",
        "/api/v1/panel/x/moments, 50000",
        "/api/v1/panel/x/visitors, 50000",
        "/api/v1/channels/x/states, 50000",
        "/panel/draft/x/1/x, 1000000",
        "/signal/x/x/x, 50000"
    })
    void whatStatesNoLengthIsCountedWhileItIsRead(String path, int most) throws Exception {
        String body = "{\"page\":\"" + "a".repeat(most) + "\"}";
        try (HttpClient http = HttpClient.newHttpClient()) {
            HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + path))
                    .header("Content-Type", "application/json")
                    .POST(BodyPublishers.ofInputStream(() -> new ByteArrayInputStream(body.getBytes())))
                    .build();
            assertThat(http.send(request, BodyHandlers.ofString()).statusCode()).isEqualTo(413);
        }
    }

    @Test
    void aFormOfPartsSaysHowLongItIs() throws IOException {
        assertThat(raw.send(
                        "POST",
                        "/tables/file",
                        "localhost",
                        "Content-Type: multipart/form-data; boundary=x\r\nTransfer-Encoding: chunked\r\n\r\n0\r\n\r\n"))
                .startsWith("HTTP/1.1 411");
    }

    @Test
    void whereFilesAreTakenTheRouteSaysSo() {
        List<HandlerMethod> undeclared = mapping.getHandlerMethods().values().stream()
                .filter(method -> Arrays.stream(method.getMethodParameters())
                        .anyMatch(parameter -> parameter.getParameterType() == MultipartFile.class))
                .filter(method -> {
                    MostBytes declared = Routes.declared(method, MostBytes.class);
                    return declared == null || declared.value() != MostBytes.FILE;
                })
                .toList();
        assertThat(undeclared).isEmpty();
    }
}
