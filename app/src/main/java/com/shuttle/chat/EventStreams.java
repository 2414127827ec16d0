package com.shuttle.chat;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.LongFunction;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * Server-sent events over the {@link LiveHub}. A stream first sends what came after the last id the reader has seen,
 * then whatever is new; so nothing is lost when a connection drops and comes back with {@code Last-Event-ID}.
 */
@Component
public class EventStreams {

    private static final Logger LOG = LoggerFactory.getLogger(EventStreams.class);

    /** Something to send. Ids grow. */
    public record Item(long id, Object data) {}

    private static final class Stream {
        final SseEmitter emitter = new SseEmitter(0L);
        final ReentrantLock lock = new ReentrantLock();
        final AtomicLong last;
        final LongFunction<List<Item>> after;
        final String caller;

        Stream(String caller, long last, LongFunction<List<Item>> after) {
            this.caller = caller;
            this.last = new AtomicLong(last);
            this.after = after;
        }

        /** Lets the reader know that it listens, before there is anything to hear. */
        void begin() {
            comment("open");
            send();
        }

        void comment(String text) {
            lock.lock();
            try {
                emitter.send(SseEmitter.event().comment(text));
            } catch (IOException | IllegalStateException gone) {
                LOG.debug("A reader is gone", gone);
            } finally {
                lock.unlock();
            }
        }

        void send() {
            lock.lock();
            try {
                for (Item item : after.apply(last.get())) {
                    emitter.send(SseEmitter.event()
                            .id(Long.toString(item.id()))
                            .name("message")
                            .data(item.data()));
                    last.set(item.id());
                }
            } catch (IOException | IllegalStateException gone) {
                // The container has noticed it too and tells the emitter.
                LOG.debug("A reader is gone", gone);
            } finally {
                lock.unlock();
            }
        }
    }

    /** Open streams in all; each costs a connection and some memory. */
    static final int MOST = 5000;

    /** Open streams of one caller, behind whom a whole school class may sit. */
    static final int MOST_OF_ONE = 200;

    private final LiveHub hub;
    private final Set<Stream> open = ConcurrentHashMap.newKeySet();

    EventStreams(LiveHub hub) {
        this.hub = hub;
    }

    /**
     * Opens a stream to a stranger; empty where too many are open, to that caller or in all.
     *
     * @param caller see {@link com.shuttle.web.Callers}
     */
    public Optional<SseEmitter> openTo(String caller, String topic, long last, LongFunction<List<Item>> after) {
        boolean full = open.size() >= MOST
                || open.stream().filter(stream -> stream.caller.equals(caller)).count() >= MOST_OF_ONE;
        return full ? Optional.empty() : Optional.of(open(caller, topic, last, after));
    }

    /**
     * Opens a stream to somebody who is signed in.
     *
     * @param last  id of the last item the reader has; 0 for none
     * @param after all items with ids above the given one, in order
     */
    public SseEmitter open(String topic, long last, LongFunction<List<Item>> after) {
        return open("", topic, last, after);
    }

    private SseEmitter open(String caller, String topic, long last, LongFunction<List<Item>> after) {
        Stream stream = new Stream(caller, last, after);
        LiveHub.Watch watch = hub.watch(topic, stream::send);
        Runnable end = () -> {
            watch.close();
            open.remove(stream);
        };
        stream.emitter.onCompletion(end);
        stream.emitter.onTimeout(end);
        stream.emitter.onError(error -> end.run());
        open.add(stream);
        Thread.startVirtualThread(stream::begin);
        return stream.emitter;
    }

    /** Keeps proxies from closing quiet streams, and finds out which readers are gone. */
    @Scheduled(fixedRate = 15_000)
    void beat() {
        open.forEach(stream -> stream.comment("beat"));
    }

    /** Lets the readers go when the server stops, so that it need not wait for them. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        open.forEach(stream -> stream.emitter.complete());
    }
}
