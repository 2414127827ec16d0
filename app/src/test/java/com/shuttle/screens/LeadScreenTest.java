package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static com.shuttle.Waiting.until;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.demo.StandIns;
import com.shuttle.leads.LeadService;
import com.shuttle.standins.MailServer.Mail;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.springframework.boot.test.web.server.LocalServerPort;

/** A scorecard is made and tried, a visitor scored by it stands on the board, is followed up, says stop, and is erased. */
@ServerTest
class LeadScreenTest {

    private static final String STEPS = """
            {'kind':'question','id':'g','type':'number','variable':'guests','ask':['How many guests?'],'exits':{'answered':'step:n'}},
            {'kind':'question','id':'n','type':'person_name','variable':'name','ask':['Name?'],'exits':{'answered':'step:e'}},
            {'kind':'question','id':'e','type':'email','variable':'email','ask':['Email?'],'exits':{'answered':'step:c'}},
            {'kind':'question','id':'c','type':'yes_no','variable':'ok','ask':['May we write?'],'exits':{'answered':'step:s'}},
            {'kind':'score','id':'s','card':'CARD','bands':[{'id':'b1','band':'b3','name':'high'},{'id':'b2','band':'b1','name':'low'}],
             'exits':{'band:b1':'step:l','band:b2':'step:l'}},
            {'kind':'save_lead','id':'l','fields':[{'id':'f1','field':'name','value':'{{name}}'},
              {'id':'f2','field':'email','value':'{{email}}'}],'consent':'May we write?','agreed':'ok','exits':{'saved':'step:m'}},
            {'kind':'milestone','id':'m','milestone':'MILESTONE','exits':{'next':'step:z'}},
            {'kind':'question','id':'z','type':'text','variable':'more','ask':['Anything else?']}""";

    private static final Pattern STOP = Pattern.compile("http://localhost:\\d+(/stop/[\\w/-]+)");

    private final int port;
    private final TestData data;
    private final StandIns standIns;
    private final LeadService leads;

    LeadScreenTest(@LocalServerPort int port, TestData data, StandIns standIns, LeadService leads) {
        this.port = port;
        this.data = data;
        this.standIns = standIns;
        this.leads = leads;
    }

    /** @return its id */
    private String card(Page page) {
        page.navigate("/leads/scorecards");
        page.locator("#name").fill(data.name("Who first"));
        page.locator("button:has-text('Begin')").click();
        assertThat(page.locator(".notice")).containsText("add a criterion");
        page.locator("button:has-text('Add a criterion')").click();
        page.locator("[name='g.0.c.0.about']").fill("guests");
        page.locator("[name='g.0.c.0.k.0.value']").fill("40");
        page.locator("[name='g.0.c.0.k.0.points']").fill("45");
        page.locator("button:has-text('Keep the card')").click();
        assertThat(page.locator(".notice").first()).containsText("Kept.");
        page.locator("[id='try.guests']").fill("60");
        page.locator("button:has-text('Count')").click();
        assertThat(page.locator(".outcome")).containsText("45");
        assertThat(page.locator(".outcome .reasons")).containsText("+45: 60 guests, at least 40");
        return page.url().replaceFirst("[#?].*", "").replaceFirst(".*/", "");
    }

    private void followUp(Page page, String milestone) {
        page.navigate("/leads/follow-ups/new");
        page.locator("#name").fill(data.name("The guide"));
        page.locator("[name=begins][value=milestone]").check();
        page.locator("[name='of.milestone']").fill(milestone);
        page.locator("[name='stage.0.after']").fill("");
        page.locator("[name='stage.0.subject']").fill("The guide for {{name.first}}");
        page.locator("[name='stage.0.text']").fill("Dear {{name}}, here is the guide.");
        page.locator(".keep-line button").click();
        assertThat(page.locator(".notice").first()).containsText("It is off");
        page.locator("button:has-text('Switch on')").click();
        assertThat(page.locator(".notice").first()).containsText("It is on");
    }

    private List<Mail> mails(String to) {
        return standIns.mail().mails().stream()
                .filter(mail -> mail.to().contains(to))
                .toList();
    }

    @Test
    void aVisitorIsScoredWorkedWithFollowedUpAndErased() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            String card = card(team);
            String milestone = data.name("Guide wanted");
            followUp(team, milestone);
            String email = data.name("lead").replaceAll("[^a-z0-9]", "") + "@followed.example";
            Bot bot = data.released(
                    TestData.flow("main", STEPS.replace("CARD", card).replace("MILESTONE", milestone)));
            String talk = data.conversations
                    .begin(bot.id(), "", "", "web", "")
                    .orElseThrow()
                    .conversation();
            for (String said : List.of("60", "Quintessa Marsh", email, "yes")) {
                data.conversations.say(talk, "m" + said, said);
            }
            String lead = leads.ofConversation(talk).orElseThrow().id();

            team.navigate("/leads/scorecards/" + card);
            assertThat(team.locator("#content")).containsText("is live with it");
            team.locator("[name='g.0.c.0.k.0.value']").fill("70");
            team.locator("button:has-text('Keep the card')").click();
            assertThat(team.locator(".movers")).containsText("45 high → 0 low");

            team.navigate("/leads/board");
            Locator mine = team.locator("[data-lead='" + lead + "']");
            assertThat(mine).containsText("high");
            mine.focus();
            team.keyboard().press("Alt+ArrowRight");
            assertThat(team.locator("[data-state=talking] [data-lead='" + lead + "']"))
                    .isVisible();
            until("it is moved", () -> leads.person(lead).state().equals("talking"));

            team.navigate("/leads/" + lead);
            assertThat(team.locator(".reasons")).containsText("+45: 60 guests");
            team.locator("#words").fill("Ring back");
            team.locator(".task-line button").first().click();
            assertThat(team.locator(".tasks")).containsText("Ring back");
            erase(team, lead, email);
            assertThat(screens.complaints()).isEmpty();
        }
    }

    private void erase(Page team, String lead, String email) {
        team.locator("summary:has-text('Merge or erase')").click();
        team.locator("#sure").fill("somebody else");
        team.locator("button:has-text('Erase this person')").click();
        assertThat(team.locator(".field-error")).containsText("Nothing was erased");
        team.locator("summary:has-text('Merge or erase')").click();
        team.locator("#sure").fill("Quintessa Marsh");
        team.locator("button:has-text('Erase this person')").click();
        assertThat(team.locator(".notice")).containsText("erased everywhere");
        assertThat(leads.find(lead)).isEmpty();
        team.navigate("/leads?q=" + email);
        assertThat(team.locator("#content")).containsText("Nothing fits");
    }

    @Test
    void whoAgreedIsWrittenToAndSaysStop() {
        try (Screens screens = new Screens(port)) {
            Page team = screens.signedIn("maren.holt");
            String milestone = data.name("Guide wanted");
            followUp(team, milestone);
            String email = data.name("stop").replaceAll("[^a-z0-9]", "") + "@followed.example";
            Bot bot = data.released(
                    TestData.flow("main", STEPS.replace("CARD", "none").replace("MILESTONE", milestone)));
            String talk = data.conversations
                    .begin(bot.id(), "", "", "web", "")
                    .orElseThrow()
                    .conversation();
            for (String said : List.of("60", "Quintessa Marsh", email, "yes")) {
                data.conversations.say(talk, "m" + said, said);
            }
            until("the mail has come", () -> !mails(email).isEmpty());
            Mail mail = mails(email).getFirst();
            assertThat(mail.subject()).isEqualTo("The guide for Quintessa");
            Matcher stop = STOP.matcher(mail.text());
            assertThat(stop.find()).isTrue();
            Page visitor = screens.stranger();
            visitor.navigate(stop.group(1));
            visitor.locator("button:has-text('Send me no more')").click();
            assertThat(visitor.locator("h1")).hasText("No more mails");
            assertThat(leads.ofConversation(talk).orElseThrow().mayBeWrittenTo())
                    .isFalse();
        }
    }
}
