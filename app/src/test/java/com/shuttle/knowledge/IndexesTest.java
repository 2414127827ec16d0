package com.shuttle.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.reset;
import static org.mockito.Mockito.when;

import com.shuttle.core.knowledge.Content;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Entry;
import com.shuttle.core.knowledge.KnowledgeIndex;
import com.shuttle.core.knowledge.Meaning;
import com.shuttle.knowledge.KnowledgeService.Reading;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.CountDownLatch;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** With a store and models that do as they are told, so that reading takes exactly as long as the test wants. */
class IndexesTest {

    private static final Set<String> ONE = Set.of("one");
    private static final Entry DOGS = entry("dogs", "Are dogs allowed?");

    private final KnowledgeStore store = mock();
    private final Meaning meanings = mock();
    private final CountDownLatch mayRead = new CountDownLatch(1);
    private final CountDownLatch isReading = new CountDownLatch(1);
    private final ConcurrentLinkedQueue<String> read = new ConcurrentLinkedQueue<>();
    private final Indexes indexes =
            new Indexes(store, meanings, InstantSource.fixed(Instant.parse("2026-03-10T09:00:00Z")));

    private static Entry entry(String ref, String question) {
        return new Entry(ref, List.of(question), List.of("Answer of " + ref + "."), "");
    }

    private void stored(String collection, List<Entry> entries) {
        when(store.content(collection)).thenReturn(new Content(entries, List.of(), List.of()));
    }

    @BeforeEach
    void begin() {
        Embedding all = Embedding.of(new float[] {1, 0});
        when(meanings.readQuestion(any(), anyString())).thenReturn(all);
        when(meanings.ofText(any(), anyString())).thenReturn(all.whole());
        when(meanings.readText(any(), anyString())).thenAnswer(call -> {
            String text = call.getArgument(1);
            if (call.getArgument(0) == Meaning.Model.WORDINGS) {
                read.add(text);
            }
            if (text.startsWith("Slow")) {
                isReading.countDown();
                mayRead.await();
            }
            return all;
        });
        stored("one", List.of(DOGS));
    }

    @AfterEach
    void end() {
        mayRead.countDown();
        indexes.close();
    }

    private static boolean has(KnowledgeIndex index, String question, String ref) {
        return index.ask(List.of(question)).matches().stream()
                .anyMatch(match -> match.ref().equals(ref));
    }

    @Test
    void whileMuchIsReadVisitorsAreAnsweredFromWhatWasThereBefore() throws InterruptedException {
        indexes.current(ONE);
        List<Entry> more = new ArrayList<>(List.of(DOGS));
        IntStream.range(0, 150).forEach(i -> more.add(entry("slow" + i, "Slow train number " + i)));
        stored("one", more);
        indexes.changed("one");
        isReading.await();
        assertThat(indexes.reading("one")).contains(new Reading(0, 150));
        assertThat(has(indexes.serving(ONE), "are dogs allowed", "dogs")).isTrue();
        assertThat(has(indexes.serving(ONE), "slow train number 7", "slow7")).isFalse();
        mayRead.countDown();
        KnowledgeIndex now = indexes.current(ONE);
        assertThat(has(now, "slow train number 7", "slow7")).isTrue();
        assertThat(indexes.serving(ONE)).isSameAs(now);
    }

    @Test
    void whatStaysTheSameIsReadOnceAlsoForOtherSetsOfCollections() {
        stored("two", List.of(entry("cats", "And cats?")));
        indexes.current(ONE);
        stored("one", List.of(DOGS, entry("parking", "Is there parking?")));
        indexes.changed("one");
        assertThat(has(indexes.current(ONE), "is there parking", "parking")).isTrue();
        assertThat(has(indexes.current(Set.of("one", "two")), "and cats", "two:cats"))
                .isTrue();
        assertThat(read).containsOnlyOnce("Are dogs allowed?", "Is there parking?", "And cats?");
    }

    @Test
    void aCollectionThatCannotBeReadIsTriedAgain() {
        when(store.content("one")).thenThrow(new IllegalStateException("no database"));
        assertThat(indexes.serving(ONE).ask(List.of("are dogs allowed")).matches())
                .isEmpty();
        reset(store);
        stored("one", List.of(DOGS));
        assertThat(has(indexes.serving(ONE), "are dogs allowed", "dogs")).isTrue();
    }
}
