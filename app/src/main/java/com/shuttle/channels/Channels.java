package com.shuttle.channels;

import com.shuttle.core.channel.PhoneKind;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Length;
import com.shuttle.web.Missing;
import com.shuttle.web.Vault;
import java.net.URI;
import java.net.URISyntaxException;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The organisation's channels to phones. Thread-safe. */
@Service
public class Channels {

    private static final int LONGEST_TEMPLATE = 500;

    private final ChannelStore store;
    private final Vault vault;
    private final InstantSource clock;

    Channels(ChannelStore store, Vault vault, InstantSource clock) {
        this.store = store;
        this.vault = vault;
        this.clock = clock;
    }

    /** A form as it was typed. */
    public record Form(String name, PhoneKind kind, String number, String address, String template) {}

    /** All, by name. */
    public List<Channel> channels() {
        return store.channels();
    }

    /** One that is there. */
    public Optional<Channel> channel(String id) {
        return store.channel(id);
    }

    /** The kinds of channel that a bot is on. */
    public Set<PhoneKind> of(String bot) {
        Set<PhoneKind> kinds = EnumSet.noneOf(PhoneKind.class);
        for (Channel channel : channels()) {
            if (channel.bots().contains(bot)) {
                kinds.add(channel.kind());
            }
        }
        return kinds;
    }

    /** With which both sides of a channel sign. */
    public String key(Channel channel) {
        return vault.open(channel.sealedKey());
    }

    /** Keeps a channel; one without an id is new, with a key of its own. @param bots ids of those that answer on a new one */
    @Transactional
    public Checked<Channel> keep(String id, Form form, List<String> bots) {
        Optional<Channel> before = id.isEmpty() ? Optional.empty() : channel(id);
        if (!id.isEmpty() && before.isEmpty()) {
            throw new Missing("channel", id);
        }
        String number = form.number().replaceAll("[\\s()-]+", "").replaceFirst("^00", "+");
        Checked.Errors errors = new Checked.Errors()
                .named(form.name().strip(), "name")
                .require(
                        number.matches("\\+[1-9]\\d{5,14}"),
                        "number",
                        "A number with its country, please, such as +44 1632 960 120.")
                .require(
                        isAddress(form.address().strip()),
                        "address",
                        "An address, please, such as https://gateway.example.org/messages.")
                .fits(form.address().strip(), Length.LINE, "address")
                .require(
                        form.template().length() <= LONGEST_TEMPLATE,
                        "template",
                        "Up to %d characters, please.".formatted(LONGEST_TEMPLATE));
        return errors.<Channel>bad().orElseGet(() -> {
            Channel channel = new Channel(
                    before.map(Channel::id).orElseGet(Ids::next),
                    form.name().strip(),
                    before.map(Channel::kind).orElse(form.kind()),
                    number,
                    before.map(Channel::bots).orElse(bots),
                    form.address().strip(),
                    before.map(Channel::sealedKey).orElseGet(() -> vault.seal(Ids.secret())),
                    form.template().strip());
            store.keep(channel, clock.instant());
            return Checked.good(channel);
        });
    }

    private static boolean isAddress(String text) {
        try {
            URI uri = new URI(text);
            return uri.getHost() != null && List.of("http", "https").contains(uri.getScheme());
        } catch (URISyntaxException none) {
            return false;
        }
    }

    /** Has a bot answer on a channel, last of all; or no longer. @throws Missing if there is no such channel */
    @Transactional
    public void answer(String id, String bot, boolean answers) {
        Channel channel = channel(id).orElseThrow(() -> new Missing("channel", id));
        List<String> bots = new ArrayList<>(channel.bots());
        bots.remove(bot);
        if (answers) {
            bots.add(bot);
        }
        store.keep(channel.answeredBy(bots), clock.instant());
    }

    @Transactional
    public void delete(String id) {
        store.delete(id, clock.instant());
    }

    @Transactional
    public void bringBack(String id) {
        store.delete(id, null);
    }
}
