package com.shuttle.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

class VisitorTest {

    @Test
    void turnsArePlayedByWhomTheyBelongTo() {
        List<String> played = new ArrayList<>();
        new Visitor("vesper", "https://x.example/", List.of("hello", "agent: Good evening", "thanks", "close"))
                .play(new Visitor.Conversation() {
                    @Override
                    public void visitorSays(String text) {
                        played.add("visitor " + text);
                    }

                    @Override
                    public void agentSays(String text) {
                        played.add("agent " + text);
                    }

                    @Override
                    public void agentCloses() {
                        played.add("closed");
                    }
                });
        assertThat(played).containsExactly("visitor hello", "agent Good evening", "visitor thanks", "closed");
    }

    @Test
    void theDemoHasVisitorsWithSomethingToSay() {
        assertThat(Visitor.all()).hasSizeGreaterThan(5).allSatisfy(visitor -> {
            assertThat(visitor.turns()).isNotEmpty();
            assertThat(visitor.page()).contains(".example");
        });
    }
}
