package com.shuttle.leads;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.chat.ErasureService;
import com.shuttle.leads.Segment.How;
import com.shuttle.leads.Segment.Term;
import com.shuttle.settings.Account;
import com.shuttle.settings.Role;
import com.shuttle.settings.Team;
import com.shuttle.web.Checked;
import com.shuttle.web.Missing;
import com.shuttle.web.Wanted;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** People and leads: found again, made, worked with, merged, singled out and forgotten. */
@ServerTest
class LeadServiceTest {

    private static final String STEPS = """
            {'kind':'question','id':'n','type':'person_name','variable':'name','ask':['Name?'],'exits':{'answered':'step:e'}},
            {'kind':'question','id':'e','type':'email','variable':'email','ask':['Email?'],'optional':true,
             'exits':{'answered':'step:p','skipped':'step:p'}},
            {'kind':'question','id':'p','type':'phone','variable':'phone','ask':['Phone?'],'optional':true,
             'exits':{'answered':'step:c','skipped':'step:c'}},
            {'kind':'question','id':'c','type':'yes_no','variable':'ok','ask':['May we write to you?'],
             'exits':{'answered':'step:l'}},
            {'kind':'save_lead','id':'l','fields':[{'id':'f1','field':'name','value':'{{name}}'},
              {'id':'f2','field':'email','value':'{{email}}'},{'id':'f3','field':'phone','value':'{{phone}}'}],
             'consent':'May we write to you?','agreed':'ok','team':'TEAM','exits':{'saved':'step:m'}},
            {'kind':'milestone','id':'m','milestone':'Reached','value':'12.5','exits':{'next':'step:z'}},
            {'kind':'question','id':'z','type':'text','variable':'more','ask':['Anything else?']}""";

    private static final AtomicInteger NUMBER = new AtomicInteger(1000);

    private final TestData data;
    private final LeadService leads;
    private final LeadList list;
    private final LeadPage pages;
    private final Segments segments;
    private final Tasks tasks;
    private final ErasureService erasure;

    LeadServiceTest(
            TestData data,
            LeadService leads,
            LeadList list,
            LeadPage pages,
            Segments segments,
            Tasks tasks,
            ErasureService erasure) {
        this.data = data;
        this.leads = leads;
        this.list = list;
        this.pages = pages;
        this.segments = segments;
        this.tasks = tasks;
        this.erasure = erasure;
    }

    private Bot bot(String team) {
        return data.released(TestData.flow("main", STEPS.replace("TEAM", team)));
    }

    /** A conversation in which somebody says these, one after the other. */
    private String talk(Bot bot, String... said) {
        String id = data.conversations
                .begin(bot.id(), "", "https://x.example/a", "web", "")
                .orElseThrow()
                .conversation();
        for (int i = 0; i < said.length; i++) {
            data.conversations.say(id, "m" + i, said[i]);
        }
        return id;
    }

    private Person of(String conversation) {
        return leads.ofConversation(conversation).orElseThrow();
    }

    private static String email(String of) {
        return of + NUMBER.incrementAndGet() + "@example.org";
    }

    @Test
    void onePersonIsOneLeadAcrossBotsWhateverTheCapitals() {
        String email = email("dana");
        Bot first = bot("");
        String one = talk(first, "Dana Whitlow", email, "skip", "yes");
        String two = talk(bot(""), "Dana", email.toUpperCase(), "01632 960" + NUMBER.incrementAndGet() % 1000, "yes");
        Person person = of(two);
        assertThat(of(one).id()).isEqualTo(person.id());
        assertThat(person.name()).isEqualTo("Dana Whitlow");
        assertThat(person.conversations()).isEqualTo(2);
        assertThat(person.worth()).isEqualByComparingTo("25");
        assertThat(person.bot()).isEqualTo(first.id());
        assertThat(person.mayBeWrittenTo()).isTrue();
        LeadPage.View view = pages.of(person);
        assertThat(view.consents()).hasSize(2).allSatisfy(consent -> {
            assertThat(consent.wording()).isEqualTo("May we write to you?");
            assertThat(consent.page()).isEqualTo("https://x.example/a");
        });
        assertThat(view.said())
                .extracting(saying -> saying.said().conversation())
                .contains(one, two);
        assertThat(view.events())
                .extracting(event -> event.event().words())
                .contains("became a lead", "came back and talked");
    }

    @Test
    void aPhoneIsEnoughAndWhoSharesOneStaysTwo() {
        Bot bot = bot("");
        String phone = "01632 961" + NUMBER.incrementAndGet() % 1000;
        Person dana = of(talk(bot, "Dana", "skip", phone, "no"));
        Person sam = of(talk(bot, "Sam Oakes", "skip", phone, "no"));
        assertThat(sam.id()).isNotEqualTo(dana.id());
        String email = email("dana");
        Person again = of(talk(bot, "Dana Whitlow", email, phone, "yes"));
        assertThat(again.id()).as("known by the phone alone so far").isEqualTo(dana.id());
        assertThat(again.email()).isEqualTo(email);
        assertThat(dana.mayBeWrittenTo()).isFalse();
    }

    @Test
    void aCorrectedEmailIsTheSamePersonAndAFoundOneIsJoined() {
        Bot bot = bot("");
        String wrong = email("robin");
        String right = email("robin");
        String id = talk(bot, "Robin Marsh", wrong, "skip", "yes");
        Person person = of(id);
        data.conversations.say(id, "later", "sorry, my email is " + right);
        assertThat(of(id).id()).isEqualTo(person.id());
        assertThat(of(id).email()).isEqualTo(right);
        String known = email("petra");
        Person petra = of(talk(bot, "Petra Novak", known, "skip", "yes"));
        String mistaken = talk(bot, "Petra Novak", email("petra"), "skip", "yes");
        Person made = of(mistaken);
        data.conversations.say(mistaken, "later", "sorry, my email is " + known);
        assertThat(of(mistaken).id()).isEqualTo(petra.id());
        assertThat(leads.find(made.id())).as("was a slip").isEmpty();
    }

    @Test
    void newLeadsGoToATeamInTurn() {
        Account one = account();
        Account two = account();
        Team team = TestData.good(data.accounts.createTeam(data.name("Team")));
        data.accounts.setMembers(team.id(), List.of(one.id(), two.id()));
        Bot bot = bot(team.id());
        Set<String> owners = IntStream.range(0, 4)
                .mapToObj(i -> of(talk(bot, "Robin Marsh", email("turn"), "skip", "no"))
                        .owner())
                .collect(Collectors.toSet());
        assertThat(owners).containsExactlyInAnyOrder(one.id(), two.id());
    }

    private Account account() {
        return TestData.good(data.accounts.create(data.name("Agent"), email("agent"), "a-long-password", Role.AGENT));
    }

    @Test
    void changesAreNotedAndUndoneAndTwoWhoChangeAtOnceAreTold() {
        Person person = of(talk(bot(""), "Dana", email("edit"), "skip", "no"));
        Account by = account();
        Person edited = TestData.good(leads.edit(
                person.id(), person.version(), Map.of("company", "Oak Mill", "phone", "01632 960777"), "GB", by.id()));
        assertThat(edited.phone()).isEqualTo("+441632960777");
        assertThat(leads.edit(person.id(), person.version(), Map.of("name", "X"), "GB", by.id()))
                .isEqualTo(
                        Checked.bad("form", "Somebody else has changed this lead meanwhile. Look at it as it is now."));
        assertThat(leads.edit(person.id(), edited.version(), Map.of("email", "no address"), "GB", by.id()))
                .isEqualTo(Checked.bad("email", "“no address” is no email address."));
        assertThat(leads.move(person.id(), "new", "talking", by.id()).moved()).isTrue();
        LeadService.Moved late = leads.move(person.id(), "new", "won", by.id());
        assertThat(late.moved()).as("somebody else was faster").isFalse();
        assertThat(late.lead().state()).isEqualTo("talking");
        leads.tag(person.id(), "vip, Choir,VIP", by.id());
        assertThat(leads.person(person.id()).tags()).containsExactly("vip", "Choir");
        for (LeadPage.Event event : pages.of(leads.person(person.id())).events()) {
            if (event.undoable()) {
                assertThat(leads.undo(event.event().id(), by.id())).isEmpty();
                assertThat(leads.undo(event.event().id(), by.id())).isNotEmpty();
            }
        }
        Person after = leads.person(person.id());
        assertThat(List.of(after.company(), after.phone(), after.state())).containsExactly("", "", "new");
        assertThat(after.tags()).isEmpty();
    }

    @Test
    void twoAreMergedByHandAndPartedAgain() {
        Bot bot = bot("");
        String first = talk(bot, "Dana", email("one"), "skip", "yes");
        String second = talk(bot, "Dana Whitlow", email("two"), "01632 962" + NUMBER.incrementAndGet() % 1000, "no");
        Person one = of(first);
        Person two = of(second);
        tasks.add(two.id(), "Ring back", null, "", "", "");
        Person merged = leads.merge(one.id(), two.id(), "");
        assertThat(merged.name()).isEqualTo("Dana Whitlow");
        assertThat(merged.email()).isEqualTo(one.email());
        assertThat(merged.phone()).isEqualTo(two.phone());
        assertThat(merged.conversations()).isEqualTo(2);
        assertThat(of(second).id()).isEqualTo(one.id());
        assertThat(tasks.of(one.id())).hasSize(1);
        assertThat(leads.find(two.id())).isEmpty();
        LeadPage.Event merge = pages.of(merged).events().stream()
                .filter(LeadPage.Event::undoable)
                .findFirst()
                .orElseThrow();
        assertThat(leads.undo(merge.event().id(), "")).isEmpty();
        assertThat(of(second).id()).isEqualTo(two.id());
        assertThat(leads.person(two.id()).email()).isEqualTo(two.email());
        assertThat(leads.person(one.id()).phone()).isEmpty();
        assertThat(tasks.of(two.id())).hasSize(1);
    }

    @Test
    void segmentsSingleOutByAnythingAndSayTheirFaults() {
        Bot bot = bot("");
        Person dana = of(talk(bot, "Dana Segment", email("seg"), "skip", "yes"));
        Person sam = of(talk(bot, "Sam Segment", email("seg"), "skip", "no"));
        tasks.add(sam.id(), "Ring back", null, "", "", "");
        leads.move(sam.id(), "", "talking", "");
        Term ours = new Term("bot", How.IS, bot.id());
        assertThat(in(ours, new Term("consent", How.FILLED, ""))).containsExactly(dana.id());
        assertThat(in(ours, new Term("task", How.FILLED, ""))).containsExactly(sam.id());
        assertThat(in(ours, new Term("state", How.IS_NOT, "new"))).containsExactly(sam.id());
        assertThat(in(ours, new Term("name", How.HAS, "SAM seg"))).containsExactly(sam.id());
        assertThat(in(ours, new Term("milestone", How.IS, "Reached"))).hasSize(2);
        assertThat(in(ours, new Term("milestone", How.IS_NOT, "Reached"))).isEmpty();
        assertThat(in(ours, new Term("worth", How.AT_LEAST, "12.5"))).hasSize(2);
        assertThat(in(ours, new Term("made", How.WITHIN, "2"))).hasSize(2);
        assertThat(in(ours, new Term("made", How.BEFORE, "2"))).isEmpty();
        assertThat(in(ours, new Term("booked", How.EMPTY, ""))).hasSize(2);
        assertThat(in(ours, new Term("points", How.AT_LEAST, "no number"))).isEmpty();
        assertThat(in(ours, new Term("gone", How.IS, "x")))
                .as("a field that is gone")
                .isEmpty();
        Segment any = new Segment(
                "",
                data.name("Any"),
                true,
                List.of(new Term("email", How.IS, dana.email()), new Term("email", How.IS, sam.email())));
        assertThat(segments.count(TestData.good(segments.keep(any)))).isEqualTo(2);
        Segment faulty = new Segment("", any.name(), false, List.of(new Term("points", How.IS, "x")));
        Checked<Segment> refused = segments.keep(faulty);
        assertThat(refused)
                .isEqualTo(new Checked.Bad<Segment>(
                        Map.of("name", "There is a segment of this name.", "term.0", "Give a number.")));
        assertThat(segments.words(any)).contains(" or ");
    }

    private List<String> in(Term... terms) {
        Segment segment = new Segment("", "", false, List.of(terms));
        Segment kept = TestData.good(segments.keep(new Segment(
                "",
                data.name("Segment"),
                false,
                segment.terms().stream()
                        .filter(term ->
                                !term.field().equals("gone") && !term.value().equals("no number"))
                        .toList())));
        if (kept.terms().size() == terms.length) {
            return list.ids(new Wanted("", Map.of("segment", kept.id()), "", 1));
        }
        return segments.count(segment) == 0 ? List.of() : List.of("somebody");
    }

    @Test
    void listsAreSearchedSortedAndPaged() {
        Bot bot = bot("");
        for (int i = 0; i < 27; i++) {
            talk(bot, "Andrew " + (char) ('A' + i % 26) + "shcombe", "page" + i + email("x"), "skip", "no");
        }
        Map<String, String> ours = Map.of("bot", bot.id());
        assertThat(list.page(new Wanted("", ours, "", 1)).items()).hasSize(25);
        assertThat(list.page(new Wanted("", ours, "", 2)).items()).hasSize(2);
        assertThat(list.page(new Wanted("", ours, "name", 1)).items().getFirst().name())
                .isEqualTo("Andrew Ashcombe");
        assertThat(list.page(new Wanted("ANDREW bsh", ours, "", 1)).items()).hasSize(1);
        assertThat(list.page(new Wanted("%", ours, "", 1)).items())
                .as("no wildcard")
                .isEmpty();
        assertThat(leads.since(bot.id(), java.time.Instant.EPOCH)).isEqualTo(27);
    }

    @Test
    void whatOnlyAnErasedConversationSaidIsForgotten() {
        Bot bot = bot("");
        String email = email("forget");
        String one = talk(bot, "Dana Whitlow", email, "01632 963" + NUMBER.incrementAndGet() % 1000, "yes");
        String two = talk(bot, "Dana", email, "skip", "yes");
        Person person = of(one);
        erasure.erase(one, "");
        Person left = leads.person(person.id());
        assertThat(left.name()).isEqualTo("Dana");
        assertThat(left.phone()).isEmpty();
        assertThat(left.conversations()).isEqualTo(1);
        erasure.erase(two, "");
        assertThat(leads.find(person.id())).isEmpty();
        assertThatThrownBy(() -> leads.person(person.id())).isInstanceOf(Missing.class);
    }
}
