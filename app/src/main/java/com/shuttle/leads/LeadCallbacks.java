package com.shuttle.leads;

import com.shuttle.leads.LeadChanged.What;
import com.shuttle.notices.Letters;
import com.shuttle.notices.NoticeService;
import com.shuttle.web.Checked;
import com.shuttle.web.Ids;
import com.shuttle.web.Json;
import java.time.InstantSource;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Tells programs when a lead is made or changes band, state or owner: a CloudEvent each, signed, kept with the change. Thread-safe. */
@Service
public class LeadCallbacks {

    private static final int MOST = 20;
    private static final int LONGEST = 1000;

    private final LeadCallbackStore store;
    private final Letters letters;
    private final NoticeService notices;
    private final InstantSource clock;

    LeadCallbacks(LeadCallbackStore store, Letters letters, NoticeService notices, InstantSource clock) {
        this.store = store;
        this.letters = letters;
        this.notices = notices;
        this.clock = clock;
    }

    /** One who is told. @param events keys of what they are told of, such as {@code lead.made} */
    public record Callback(String id, String address, List<String> events) {
        public Callback {
            events = List.copyOf(events);
        }
    }

    public List<Callback> all() {
        return store.all();
    }

    /** The key with which whoever is told checks signatures. */
    public String key(Callback callback) {
        return notices.key(callback.address()).orElse("");
    }

    /** What there is to be told of. */
    public static List<String> events() {
        return Arrays.stream(What.values()).map(What::key).toList();
    }

    @Transactional
    public Checked<Callback> add(String address, List<String> events) {
        String bare = address.strip();
        List<String> known = events.stream().filter(events()::contains).toList();
        if (notices.key(bare).isEmpty() || bare.length() > LONGEST) {
            return Checked.bad("address", "An address begins with https:// or http://.");
        }
        if (known.isEmpty()) {
            return Checked.bad("events", "Choose what it is told of.");
        }
        if (store.all().size() >= MOST) {
            return Checked.bad("address", "Up to " + MOST + " can be told.");
        }
        Callback added = new Callback(Ids.next(), bare, known);
        store.insert(added);
        return Checked.good(added);
    }

    @Transactional
    public void delete(String id) {
        store.delete(id);
    }

    @EventListener
    void tell(LeadChanged changed) {
        for (Callback callback : store.all()) {
            if (callback.events().contains(changed.what().key())) {
                letters.callback(callback.address(), changed.what().key(), Json.write(data(changed)), clock.instant());
            }
        }
    }

    private static Map<String, Object> data(LeadChanged changed) {
        Person lead = changed.lead();
        Map<String, Object> data = new LinkedHashMap<>();
        data.put("id", lead.id());
        data.put("name", lead.name());
        data.put("email", lead.email());
        data.put("phone", lead.phone());
        data.put("state", lead.state());
        data.put("owner", lead.owner());
        data.put("band", lead.band());
        if (lead.points() != null) {
            data.put("points", lead.points());
        }
        data.put("before", changed.before());
        return data;
    }
}
