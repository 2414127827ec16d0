package com.shuttle.demo;

import com.shuttle.bots.Bot;
import com.shuttle.channels.Channel;
import com.shuttle.channels.Channels;
import com.shuttle.core.channel.PhoneKind;
import com.shuttle.standins.Phone;
import com.shuttle.web.PublicAddress;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** The observatory's numbers, and a phone that can write to them. */
@Component
@ConditionalOnProperty("shuttle.demo")
class DemoPhones {

    private final Channels channels;
    private final StandIns standIns;
    private final PublicAddress address;

    DemoPhones(Channels channels, StandIns standIns, PublicAddress address) {
        this.channels = channels;
        this.standIns = standIns;
        this.address = address;
    }

    /** Makes them. @param bots that answer, whoever answers without a keyword in front */
    void make(List<Bot> bots) {
        List<String> ids = bots.stream().map(Bot::id).toList();
        String gateway = StandIns.address(StandIns.PHONE_HOST) + "/messages";
        channels.keep(
                "",
                new Channels.Form(
                        "Tarnfell Observatory",
                        PhoneKind.MESSENGER,
                        "+441632960120",
                        gateway,
                        "The observatory has an answer for you. Reply to read it."),
                ids);
        channels.keep("", new Channels.Form("Tarnfell texts", PhoneKind.TEXT, "+441632960121", gateway, ""), ids);
    }

    /** The phone has another port after another start, and so may Shuttle. */
    @EventListener(ApplicationReadyEvent.class)
    void reach() {
        String gateway = StandIns.address(StandIns.PHONE_HOST);
        for (Channel channel : channels.channels()) {
            if (channel.address().startsWith(gateway)) {
                standIns.phone()
                        .connect(new Phone.Line(
                                channel.kind().key(),
                                channel.kind() == PhoneKind.TEXT ? "Text" : "Messenger",
                                channel.number(),
                                address.of("/api/v1/channels/" + channel.id() + "/messages"),
                                address.of("/api/v1/channels/" + channel.id() + "/states"),
                                channels.key(channel)));
            }
        }
    }
}
