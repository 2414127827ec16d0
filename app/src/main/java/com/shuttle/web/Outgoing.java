package com.shuttle.web;

import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.NoRouteToHostException;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.net.ssl.SSLException;
import org.apache.hc.client5.http.ConnectTimeoutException;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.classic.methods.HttpPost;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.classic.RequestFailedException;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.ConnectionRequestTimeoutException;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.Header;
import org.apache.hc.core5.http.HttpEntity;
import org.apache.hc.core5.http.io.entity.StringEntity;
import org.apache.hc.core5.util.Timeout;
import org.jspecify.annotations.Nullable;
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
    private static final int LARGEST_REPLY = 1_000_000;
    private static final int MOST_REDIRECTS = 5;
    private static final int LONGEST_ETAG = 300;
    private static final int LARGEST_PORT = 65_535;
    private static final int MOST_CONNECTIONS = 2000;
    private static final int MOST_CONNECTIONS_A_HOST = 300;
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

    /**
     * A request to a service.
     *
     * @param headers     without the kind of its text
     * @param contentType empty where there is no text
     * @param millis      it may take in all
     */
    public record Sending(
            String method, URI address, Map<String, String> headers, String contentType, String body, int millis) {
        public Sending {
            headers = Map.copyOf(headers);
        }
    }

    /** A service's reply, whatever its status. */
    public record Received(int status, String contentType, String body) {}

    /** A request that was never sent. */
    public static final class Unsent extends IOException {
        private static final long serialVersionUID = 1;

        public Unsent(String why) {
            super(why);
        }
    }

    /** A host that resolves into the own network. */
    private static final class Inside extends UnknownHostException {
        private static final long serialVersionUID = 1;
    }

    private final Map<String, InetSocketAddress> own = new ConcurrentHashMap<>();
    private final Set<String> allowed = ConcurrentHashMap.newKeySet();
    private final Set<String> always;
    private final CloseableHttpClient client;
    private final ScheduledExecutorService deadlines = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("deadlines").factory());

    public Outgoing(@Value("${shuttle.outgoing.allowed:}") Set<String> always) {
        this.always = Set.copyOf(always);
        allowed.addAll(always);
        client = HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(new Outside(allowed, own))
                        .setMaxConnTotal(MOST_CONNECTIONS)
                        .setMaxConnPerRoute(MOST_CONNECTIONS_A_HOST)
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

    private record Outside(Set<String> allowed, Map<String, InetSocketAddress> own) implements DnsResolver {

        @Override
        public List<InetSocketAddress> resolve(String host, int port) throws UnknownHostException {
            InetSocketAddress led = own.get(host);
            return led == null || led.getPort() == 0 ? DnsResolver.super.resolve(host, port) : List.of(led);
        }

        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            if (own.containsKey(host)) {
                return new InetAddress[] {own.get(host).getAddress()};
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

    /**
     * Sends a request to a service and waits for its reply. Redirects are not followed: where a service sends its callers is not
     * where they meant to bring their key.
     *
     * @throws Unsent if nothing was sent: there is no such host, it lies within the own network, or it does not take calls
     * @throws IOException if it was sent, or may have been, and no whole reply came in time or it is too large
     */
    public Received exchange(Sending sending) throws IOException {
        HttpUriRequestBase request = new HttpUriRequestBase(sending.method(), sending.address());
        sending.headers().forEach(request::setHeader);
        if (!sending.contentType().isEmpty()) {
            request.setEntity(new StringEntity(
                    sending.body(), ContentType.parse(sending.contentType()).withCharset(StandardCharsets.UTF_8)));
        }
        Timeout time = Timeout.ofMilliseconds(sending.millis());
        request.setConfig(RequestConfig.custom()
                .setRedirectsEnabled(false)
                .setConnectionRequestTimeout(time)
                .setResponseTimeout(time)
                .build());
        ScheduledFuture<?> deadline = deadlines.schedule(request::cancel, sending.millis(), TimeUnit.MILLISECONDS);
        try {
            return client.execute(request, Outgoing::received);
        } catch (Inside e) {
            throw new Unsent("The address lies within the own network; an administrator may allow its host.");
        } catch (UnknownHostException e) {
            throw new Unsent("There is no such host.");
        } catch (ConnectException | ConnectTimeoutException | NoRouteToHostException e) {
            throw new Unsent("Nothing answers there.");
        } catch (ConnectionRequestTimeoutException e) {
            throw new Unsent("Too many calls of this host are under way.");
        } catch (SSLException e) {
            throw new Unsent("Its certificate does not fit.");
        } catch (SocketTimeoutException | RequestFailedException e) {
            throw new IOException("No reply came in time.", e);
        } finally {
            deadline.cancel(false);
        }
    }

    private static Received received(ClassicHttpResponse response) throws IOException {
        HttpEntity entity = response.getEntity();
        if (entity == null) {
            return new Received(response.getCode(), "", "");
        }
        try (InputStream in = entity.getContent()) {
            byte[] bytes = in.readNBytes(LARGEST_REPLY + 1);
            if (bytes.length > LARGEST_REPLY) {
                // Closing would read on to the end of what is sent; a connection that is cut off is not used again.
                response.close();
                throw new IOException("The reply is larger than 1 MB.");
            }
            String type = entity.getContentType() == null ? "" : entity.getContentType();
            return new Received(response.getCode(), type, new String(bytes, StandardCharsets.UTF_8));
        }
    }

    /** Lets these hosts be called although they lie within the own network, besides those that the operator allows. */
    public void allow(Set<String> hosts) {
        allowed.retainAll(Stream.concat(always.stream(), hosts.stream()).collect(Collectors.toSet()));
        allowed.addAll(hosts);
    }

    /** Leads a made-up host to this machine, at the port that is asked for. */
    public void lead(String host) {
        lead(host, 0);
    }

    /** Leads a made-up host to a port of this machine, whatever port is asked for: a stand-in that ships. */
    public void lead(String host, int port) {
        own.put(host, new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
    }

    private static Fetched fetched(ClassicHttpResponse response, String etag) throws IOException {
        if (response.getCode() == 304 && !etag.isEmpty()) {
            return new Fetched(null, etag);
        }
        Header header = response.getFirstHeader("ETag");
        String said = header == null || header.getValue().length() > LONGEST_ETAG ? "" : header.getValue();
        return new Fetched(bytes(response), said);
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
     * A page as it is now.
     *
     * @param etag  by which its server tells whether it has changed; empty for none
     * @param bytes null where it has not changed
     */
    public record Fetched(byte @Nullable [] bytes, String etag) {}

    /** The bytes of a page. @throws Refused as for {@link #fetch} */
    public byte[] page(String address) throws Refused {
        byte[] bytes = fetch(address, "").bytes();
        return bytes == null ? new byte[0] : bytes;
    }

    /**
     * Fetches a page where it has changed.
     *
     * @param etag of what is known of it; empty to fetch it whatever it is
     * @throws Refused if the address is none, leads inside, does not answer, or answers with too much or an error
     */
    public Fetched fetch(String address, String etag) throws Refused {
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
            HttpGet get = new HttpGet(uri);
            if (!etag.isEmpty()) {
                get.setHeader("If-None-Match", etag);
            }
            return client.execute(get, response -> fetched(response, etag));
        } catch (Inside e) {
            throw new Refused("This address lies within the own network; pages are only fetched from outside.");
        } catch (IOException e) {
            String message = e.getMessage() == null ? "" : e.getMessage();
            throw new Refused(message.startsWith("The page ") ? message : "The page does not answer.");
        }
    }
}
