package com.shuttle.web;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.classic.methods.HttpPost;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.HttpEntity;
import org.apache.hc.core5.http.io.entity.StringEntity;
import org.apache.hc.core5.util.Timeout;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Fetches pages from outside. Addresses within the own network are refused at the moment of connecting, so that neither a
 * redirect nor a name that changes its mind leads there, except for hosts that the operator allows ({@code
 * shuttle.outgoing.allowed}). Thread-safe.
 */
@Component
public class Outgoing {

    private static final int LARGEST = 5_000_000;
    private static final int MOST_REDIRECTS = 5;
    private static final int LARGEST_PORT = 65_535;
    private static final Timeout PATIENCE = Timeout.ofSeconds(10);

    /** Why a page was not fetched, for the person who asked for it. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1;

        private final String why;

        Refused(String why) {
            super(why);
            this.why = why;
        }

        /** Why, as a sentence. */
        @Override
        public String getMessage() {
            return why;
        }
    }

    /** A host that resolves into the own network. */
    private static final class Inside extends UnknownHostException {
        private static final long serialVersionUID = 1;
    }

    private final Map<String, InetAddress> own = new ConcurrentHashMap<>();
    private final CloseableHttpClient client;

    public Outgoing(@Value("${shuttle.outgoing.allowed:}") Set<String> allowed) {
        client = HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new Outside(allowed, own))
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(PATIENCE)
                                .setSocketTimeout(PATIENCE)
                                .build())
                        .build())
                .setDefaultRequestConfig(RequestConfig.custom()
                        .setMaxRedirects(MOST_REDIRECTS)
                        .setResponseTimeout(PATIENCE)
                        .build())
                .disableCookieManagement()
                .disableAutomaticRetries()
                .setUserAgent("Shuttle")
                .build();
    }

    private record Outside(Set<String> allowed, Map<String, InetAddress> own) implements DnsResolver {

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            if (own.containsKey(host)) {
                return new InetAddress[] {own.get(host)};
            }
            InetAddress[] addresses = SystemDefaultDnsResolver.INSTANCE.resolve(host);
            if (!allowed.contains(host) && Arrays.stream(addresses).anyMatch(Outgoing::isInside)) {
                throw new Inside();
            }
            return addresses;
        }

        @Override
        public String resolveCanonicalHostname(String host) {
            return host;
        }
    }

    /** Loopback, private, link-local, shared, unique local, multicast and other addresses that are not of the open network. */
    static boolean isInside(InetAddress address) {
        byte[] b = address.getAddress();
        boolean v4 = b.length == 4;
        int first = b[0] & 0xFF;
        int second = b[1] & 0xFF;
        return address.isLoopbackAddress()
                || address.isAnyLocalAddress()
                || address.isLinkLocalAddress()
                || address.isSiteLocalAddress()
                || address.isMulticastAddress()
                || v4
                        && (first == 0
                                || first >= 240
                                || first == 100 && (second & 0xC0) == 64
                                || first == 192 && second == 0)
                || !v4 && ((first & 0xFE) == 0xFC || first == 0 || first == 0x20 && second == 0x02);
    }

    /**
     * Posts JSON and returns the reply's bytes.
     *
     * @param token  sent as a bearer token; empty for none
     * @param millis to wait for a connection, and then for the reply
     * @throws IOException if the address leads inside, does not answer in time, or answers with an error or too much
     */
    public byte[] post(String address, String json, String token, int millis) throws IOException {
        HttpPost post = new HttpPost(URI.create(address));
        post.setEntity(new StringEntity(json, ContentType.APPLICATION_JSON));
        if (!token.isEmpty()) {
            post.setHeader("Authorization", "Bearer " + token);
        }
        post.setConfig(RequestConfig.custom()
                .setRedirectsEnabled(false)
                .setResponseTimeout(Timeout.ofMilliseconds(millis))
                .build());
        return client.execute(post, Outgoing::bytes);
    }

    /** Leads a made-up host to an address within the own network: a stand-in that ships. */
    public void lead(String host, InetAddress address) {
        own.put(host, address);
    }

    private static byte[] bytes(ClassicHttpResponse response) throws IOException {
        HttpEntity entity = response.getEntity();
        if (response.getCode() != 200 || entity == null) {
            throw new IOException("The page answers with error " + response.getCode() + ".");
        }
        try (InputStream in = entity.getContent()) {
            byte[] bytes = in.readNBytes(LARGEST + 1);
            if (bytes.length > LARGEST) {
                throw new IOException("The page is larger than 5 MB.");
            }
            return bytes;
        }
    }

    /**
     * The bytes of a page.
     *
     * @throws Refused if the address is none, leads inside, does not answer, or answers with too much or an error
     */
    public byte[] page(String address) throws Refused {
        URI uri;
        try {
            uri = new URI(address.contains("://") ? address.strip() : "https://" + address.strip());
        } catch (URISyntaxException e) {
            throw new Refused("This is no web address.");
        }
        String scheme = uri.getScheme() == null ? "" : uri.getScheme().toLowerCase(Locale.ROOT);
        if (uri.getPort() > LARGEST_PORT) {
            throw new Refused("There is no such port; a port is a number up to 65535.");
        }
        if (uri.getHost() == null || !scheme.equals("https") && !scheme.equals("http") || uri.getUserInfo() != null) {
            throw new Refused("This is no web address. It should look like https://example.org/help.");
        }
        try {
            return client.execute(new HttpGet(uri), Outgoing::bytes);
        } catch (Inside e) {
            throw new Refused("This address lies within the own network; pages are only fetched from outside.");
        } catch (IOException e) {
            String message = e.getMessage() == null ? "" : e.getMessage();
            throw new Refused(message.startsWith("The page ") ? message : "The page does not answer.");
        }
    }
}
