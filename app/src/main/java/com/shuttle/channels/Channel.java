package com.shuttle.channels;

import com.shuttle.core.channel.PhoneKind;
import java.util.List;

/**
 * A number at which bots are reached from phones, by way of a gateway that speaks HTTP.
 *
 * @param number    the bots' own, in E.164 form
 * @param bots      ids of those that answer; the first of them answers whoever writes no keyword
 * @param address   of the gateway, to which messages are posted
 * @param sealedKey with which both sides sign, sealed
 * @param template  words agreed on beforehand, for whoever may not be written to freely; empty for none
 */
public record Channel(
        String id,
        String name,
        PhoneKind kind,
        String number,
        List<String> bots,
        String address,
        String sealedKey,
        String template) {
    public Channel {
        bots = List.copyOf(bots);
    }

    Channel answeredBy(List<String> others) {
        return new Channel(id, name, kind, number, others, address, sealedKey, template);
    }
}
