package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import com.shuttle.chat.EventStreams;
import com.shuttle.chat.LiveHub;
import com.shuttle.studio.Companions.Companion;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class CompanionsTest {

    private static final Companion MAREN = new Companion("p1", "Maren", "n1");
    private static final Companion IDRIS = new Companion("p2", "Idris", "");

    private final LiveHub hub = mock(LiveHub.class);
    private Instant now = Instant.parse("2026-03-10T09:15:00Z");
    private final Companions companions = new Companions(hub, mock(EventStreams.class), () -> now);

    @Test
    void whoIsThereIsToldToTheOthersOnce() {
        companions.here("bot", "main", MAREN);
        companions.here("bot", "main", IDRIS);
        companions.here("bot", "main", IDRIS);
        assertThat(companions.news("bot", "main").here()).containsExactly(MAREN, IDRIS);
        verify(hub, times(2)).tell("flow bot main");
        verify(hub, never()).tell("flow bot other");
        assertThat(companions.news("bot", "other").here()).isEmpty();
    }

    @Test
    void movingToAnotherStepIsNews() {
        companions.here("bot", "main", MAREN);
        Companion moved = new Companion("p1", "Maren", "n2");
        companions.here("bot", "main", moved);
        assertThat(companions.news("bot", "main").here()).containsExactly(moved);
        verify(hub, times(2)).tell("flow bot main");
    }

    @Test
    void aPageThatSaysNothingForLongIsForgotten() {
        companions.here("bot", "main", MAREN);
        now = now.plus(Companions.STAYS).minusSeconds(1);
        companions.here("bot", "main", IDRIS);
        assertThat(companions.news("bot", "main").here()).hasSize(2);
        now = now.plusSeconds(2);
        assertThat(companions.news("bot", "main").here()).containsExactly(IDRIS);
    }

    @Test
    void aClosedPageIsForgottenAtOnce() {
        companions.here("bot", "main", MAREN);
        companions.left("bot", "main", "p1");
        assertThat(companions.news("bot", "main").here()).isEmpty();
    }

    @Test
    void editsAreCountedWithThePageThatMadeTheLast() {
        long before = companions.news("bot", "main").edits();
        companions.edited("bot", "main", "p2");
        companions.edited("bot", "main", "p1");
        Companions.News news = companions.news("bot", "main");
        assertThat(news.edits()).isEqualTo(before + 2);
        assertThat(news.by()).isEqualTo("p1");
    }
}
