package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.net.httpserver.HttpServer;
import com.sun.net.httpserver.HttpsConfigurator;
import com.sun.net.httpserver.HttpsServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import javax.net.ssl.KeyManagerFactory;
import javax.net.ssl.SSLContext;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OutgoingTest {

    @ParameterizedTest
    @CsvSource({
        "127.0.0.1,true",
        "10.1.2.3,true",
        "172.16.0.1,true",
        "192.168.1.1,true",
        "169.254.169.254,true",
        "100.64.0.1,true",
        "0.0.0.0,true",
        "224.0.0.1,true",
        "255.255.255.255,true",
        "::1,true",
        "fd00::1,true",
        "fe80::1,true",
        "::ffff:10.0.0.1,true",
        "2002:a00:1::,true",
        "203.0.113.7,false",
        "100.128.0.1,false",
        "2001:db8::1,false"
    })
    void knowsWhatLiesInside(String address, boolean inside) throws UnknownHostException {
        assertThat(Outgoing.isInside(InetAddress.getByName(address))).isEqualTo(inside);
    }

    @Test
    void anAllowedHostIsFetchedWithinBoundsAndARedirectInsideIsNot() throws IOException, Outgoing.Refused {
        HttpServer server = HttpServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        server.createContext("/", exchange -> {
            String path = exchange.getRequestURI().getPath();
            byte[] body = new byte[path.equals("/large") ? 5_000_001 : 0];
            if (path.equals("/page")) {
                body = "<p>hello</p>".getBytes(StandardCharsets.UTF_8);
            }
            if (path.equals("/away")) {
                exchange.getResponseHeaders()
                        .add(
                                "Location",
                                "http://localhost:" + server.getAddress().getPort() + "/page");
            }
            exchange.sendResponseHeaders(
                    path.equals("/away") ? 302 : path.equals("/gone") ? 410 : 200, body.length == 0 ? -1 : body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
        server.start();
        try {
            Outgoing outgoing = new Outgoing(Set.of("127.0.0.1"));
            String base = "http://127.0.0.1:" + server.getAddress().getPort();
            assertThat(outgoing.page(base + "/page")).asString().isEqualTo("<p>hello</p>");
            assertThatThrownBy(() -> outgoing.page(base + "/away")).hasMessageContaining("own network");
            assertThatThrownBy(() -> outgoing.page(base + "/large")).hasMessageContaining("larger than 5 MB");
            assertThatThrownBy(() -> outgoing.page(base + "/gone")).hasMessageContaining("error 410");
        } finally {
            server.stop(0);
        }
    }

    /** A certificate that nobody vouches for, made for another name. */
    @Test
    void aCertificateThatDoesNotFitIsRefusedBeforeAnythingIsSent() throws Exception {
        Path store = Files.createTempDirectory("certificate").resolve("store.p12");
        String password = "certificate";
        Process made = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "keytool")
                                .toString(),
                        "-genkeypair",
                        "-alias",
                        "a",
                        "-keyalg",
                        "EC",
                        "-dname",
                        "CN=elsewhere.example",
                        "-storetype",
                        "PKCS12",
                        "-storepass",
                        password,
                        "-keystore",
                        store.toString())
                .redirectErrorStream(true)
                .start();
        assertThat(made.waitFor()).isZero();
        KeyStore keys = KeyStore.getInstance(store.toFile(), password.toCharArray());
        KeyManagerFactory managers = KeyManagerFactory.getInstance(KeyManagerFactory.getDefaultAlgorithm());
        managers.init(keys, password.toCharArray());
        SSLContext context = SSLContext.getInstance("TLS");
        context.init(managers.getKeyManagers(), null, null);
        HttpsServer server = HttpsServer.create(new InetSocketAddress("127.0.0.1", 0), 0);
        server.setHttpsConfigurator(new HttpsConfigurator(context));
        AtomicInteger calls = new AtomicInteger();
        server.createContext("/", exchange -> {
            calls.incrementAndGet();
            exchange.sendResponseHeaders(204, -1);
            exchange.close();
        });
        server.start();
        try {
            Outgoing outgoing = new Outgoing(Set.of("127.0.0.1"));
            URI address = URI.create("https://127.0.0.1:" + server.getAddress().getPort() + "/");
            assertThatThrownBy(() -> outgoing.exchange(new Outgoing.Sending("GET", address, Map.of(), "", "", 5000)))
                    .isInstanceOf(Outgoing.Unsent.class)
                    .hasMessage("Its certificate does not fit.");
            assertThat(calls).hasValue(0);
        } finally {
            server.stop(0);
        }
    }
}
