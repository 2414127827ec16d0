package com.shuttle.appointments;

import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Who would like to come.
 *
 * @param many         how many, from 1 on
 * @param with         whom they want: an id, a name or a skill; empty for anybody
 * @param zone         IANA name of their time zone; empty where it is unknown
 * @param conversation they book in; null for none
 * @param key          names the request, so that one which comes twice books once; null for none
 */
public record Party(
        int many,
        String with,
        String name,
        String email,
        String phone,
        String about,
        String zone,
        @Nullable String conversation,
        @Nullable String key) {

    /** A hash of all that is asked for, by which a request that comes again is known. */
    String print(String kind, Instant start) {
        return Ids.hash(Json.write(
                List.of(kind, start.toString(), Integer.toString(many), with, name, email, phone, about, zone)));
    }
}
