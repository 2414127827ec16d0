package com.shuttle.panel;

import com.shuttle.web.Checked;
import java.net.URI;
import java.net.URISyntaxException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** The form of a website. Pure functions. */
final class SiteForm {

    private static final int MOST_ADDRESSES = 20;

    private SiteForm() {}

    /** @param id empty for a new one @param addresses a line each @param bots as they are */
    static Checked<Site> read(String id, String name, String addresses, List<String> bots) {
        Checked.Errors errors = new Checked.Errors();
        errors.named(name.strip(), "name");
        List<String> origins = new ArrayList<>();
        for (String line : addresses
                .lines()
                .map(String::strip)
                .filter(one -> !one.isEmpty())
                .toList()) {
            Optional<String> origin = origin(line);
            errors.require(
                    origin.isPresent(), "addresses", "“" + line + "” is no address like https://tarnfell.example.");
            origin.filter(one -> !origins.contains(one)).ifPresent(origins::add);
        }
        errors.require(!origins.isEmpty(), "addresses", "Please give the address of the website.");
        errors.require(
                origins.size() <= MOST_ADDRESSES, "addresses", "Up to %d addresses, please.".formatted(MOST_ADDRESSES));
        return errors.<Site>bad().orElseGet(() -> Checked.good(new Site(id, name.strip(), origins, bots, null, "")));
    }

    /** Scheme, host and port of an address, as browsers send them; empty for what is none. */
    static Optional<String> origin(String address) {
        try {
            URI uri = new URI(address.contains("://") ? address : "https://" + address);
            String scheme = uri.getScheme() == null ? "" : uri.getScheme().toLowerCase(Locale.ROOT);
            if (uri.getHost() == null || uri.getUserInfo() != null || !scheme.matches("https?")) {
                return Optional.empty();
            }
            boolean usual = uri.getPort() == -1 || uri.getPort() == (scheme.equals("https") ? 443 : 80);
            String host = uri.getHost().toLowerCase(Locale.ROOT);
            return Optional.of(scheme + "://" + host + (usual ? "" : ":" + uri.getPort()));
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }
}
