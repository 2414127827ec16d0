package com.shuttle.leads;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.chat.Conversation;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

@ServerTest
class LeadServiceTest {

    private static final Instant AT = Instant.parse("2026-03-10T09:15:00Z");

    private final TestData data;
    private final LeadService leads;

    LeadServiceTest(TestData data, LeadService leads) {
        this.data = data;
        this.leads = leads;
    }

    private static Conversation conversation(Bot bot, String id) {
        return new Conversation(id, bot.id(), "r", "visitor", Speaker.BOT, "", null, AT, AT, null, "web", "", "", "");
    }

    private List<Lead> of(Bot bot) {
        return leads.list(new Wanted("", Map.of("bot", bot.id()), "", 1)).items();
    }

    @Test
    void aPersonWhoComesBackIsOneLeadWithTheNewestOfEverything() {
        Bot bot = data.bot();
        leads.carryOut(conversation(bot, "c1"), new Deed.KeepLead("Dana", "Dana@Example.org", "+441174960555"), AT);
        leads.carryOut(
                conversation(bot, "c1"),
                new Deed.KeepLead("Dana Sablewood", "dana@example.org", ""),
                AT.plusSeconds(5));
        leads.carryOut(
                conversation(bot, "c2"), new Deed.KeepLead("Dana S.", "dana@example.org", ""), AT.plusSeconds(90));
        assertThat(of(bot)).singleElement().satisfies(lead -> {
            assertThat(lead.name()).isEqualTo("Dana S.");
            assertThat(lead.phone()).isEqualTo("+441174960555");
            assertThat(lead.conversations()).isEqualTo(2);
            assertThat(lead.conversation()).isEqualTo("c2");
            assertThat(lead.firstAt()).isEqualTo(AT);
            assertThat(lead.lastAt()).isEqualTo(AT.plusSeconds(90));
        });
    }

    @Test
    void theSamePersonIsALeadOfEachBot() {
        Bot one = data.bot();
        Bot two = data.bot();
        leads.carryOut(conversation(one, "c1"), new Deed.KeepLead("Dana", "dana@example.org", ""), AT);
        leads.carryOut(conversation(two, "c2"), new Deed.KeepLead("Dana", "dana@example.org", ""), AT);
        assertThat(of(one)).hasSize(1);
        assertThat(of(two)).hasSize(1);
    }

    @Test
    void listsAreSearchedSortedAndPaged() {
        Bot bot = data.bot();
        for (int i = 0; i < 30; i++) {
            String name = "Person " + (char) ('A' + i % 26) + i;
            leads.carryOut(
                    conversation(bot, "c" + i),
                    new Deed.KeepLead(name, "p" + i + "@example.org", "+4411749600" + (10 + i)),
                    AT.plusSeconds(i));
        }
        assertThat(of(bot)).hasSize(25);
        assertThat(of(bot).getFirst().email()).isEqualTo("p29@example.org");
        assertThat(leads.list(new Wanted("", Map.of("bot", bot.id()), "", 2)).items())
                .hasSize(5);
        assertThat(leads.list(new Wanted("", Map.of("bot", bot.id()), "name", 1))
                        .items()
                        .getFirst()
                        .name())
                .isEqualTo("Person A0");
        assertThat(leads.list(new Wanted("PERSON b", Map.of("bot", bot.id()), "", 1))
                        .items())
                .hasSize(2);
        assertThat(leads.list(new Wanted("p7@", Map.of("bot", bot.id()), "", 1)).items())
                .hasSize(1);
        assertThat(leads.list(new Wanted("%", Map.of("bot", bot.id()), "", 1)).items())
                .as("no wildcard")
                .isEmpty();
        assertThat(leads.since(bot.id(), AT.plusSeconds(20))).isEqualTo(10);
    }

    @Test
    void aLeadThatIsNotThereIsMissing() {
        assertThatThrownBy(() -> leads.lead("nobody")).isInstanceOf(Missing.class);
        Bot bot = data.bot();
        leads.carryOut(conversation(bot, "c1"), new Deed.KeepLead("Dana", "dana@example.org", ""), AT);
        assertThat(leads.lead(of(bot).getFirst().id()).name()).isEqualTo("Dana");
    }
}
