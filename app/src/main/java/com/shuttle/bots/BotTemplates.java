package com.shuttle.bots;

import com.shuttle.core.edit.Unfinished;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.HandOff;
import com.shuttle.core.flow.Section;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.StepJson;
import com.shuttle.web.Checked;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * Flows to begin a bot with. What an organisation has to fill in stands in its texts between ‹ and ›. Thread-safe.
 */
@Component
public class BotTemplates {

    /** @param purpose one sentence for who is choosing */
    public record Template(String id, String name, String purpose, int steps) {}

    private record Known(Template template, Flow flow) {}

    private final List<Known> all;
    private final Flow person = known("person", "A person", "").flow();
    private final BotService bots;

    BotTemplates(BotService bots) {
        this.bots = bots;
        this.all = List.of(
                known(
                        "questions",
                        "Answering questions",
                        "Answers from your knowledge, and takes a message when it cannot."),
                known(
                        "lead",
                        "Qualifying a lead",
                        "Finds out need, size, time and money, and passes good ones to a person."),
                known(
                        "triage",
                        "Triage to teams",
                        "Finds out what it is about and how pressing, and hands over to the right team."),
                known(
                        "intake",
                        "Intake of a request",
                        "Takes down a request in the visitor's own words and reads it back."),
                known(
                        "code",
                        "Who it is, by a code",
                        "Sends a code by a service, asks for it, and checks it, three times at most."),
                known(
                        "feedback",
                        "Feedback",
                        "Asks how it went, what was good, what was not, and whether to be in touch."));
    }

    private static Known known(String id, String name, String purpose) {
        try (var in = new ClassPathResource("bot-templates/" + id + ".json").getInputStream()) {
            String json = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return switch (new FlowJson().read(json)) {
                case FlowJson.Result.Good(Flow flow) ->
                    new Known(new Template(id, name, purpose, flow.allSteps().size()), flow);
                case FlowJson.Result.Bad bad -> throw new IllegalStateException(id + ": " + bad.faults());
            };
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    List<Template> list() {
        return all.stream().map(Known::template).toList();
    }

    /** Makes a bot of a template; a blank one where there is no such template. */
    @Transactional
    public Checked<Bot> make(String template, String name, String region, @Nullable String account) {
        Checked<Bot> made = bots.create(name, region, account);
        Optional<Known> known =
                all.stream().filter(one -> one.template().id().equals(template)).findFirst();
        if (made instanceof Checked.Good<Bot>(Bot bot) && known.isPresent()) {
            Flow flow = known.get().flow();
            List<Section> sections = flow.sections();
            Flow main = new Flow(bot.mainFlow(), "Main", flow.phrases(), sections);
            bots.putFlow(
                    bot.id(),
                    main,
                    "began with the template “" + known.get().template().name() + "”",
                    account);
            addPerson(bot.id(), "", account);
        }
        return made;
    }

    /** Gives a bot a flow by which a person is asked for: to a team, or a message where nobody is there. @param team its id; empty for the bot's own */
    @Transactional
    public void addPerson(String bot, String team, @Nullable String account) {
        Flow flow = person.withSections(person.sections().stream()
                .map(section -> section.withSteps(section.steps().stream()
                        .map(step ->
                                step instanceof HandOff && !team.isEmpty() ? StepJson.with(step, "team", team) : step)
                        .toList()))
                .toList());
        bots.putFlow(bot, flow, "began with a way to a person", account);
        Bot now = bots.bot(bot);
        StandingWords wanted = new StandingWords(StandingWords.PERSON, false, List.of(), flow.id());
        bots.behave(bot, now.manner(), List.of(wanted));
    }

    /** The blanks that still want filling in, over all flows. */
    public List<Unfinished.Place> blanks(String bot) {
        return bots.drafts(bot).stream()
                .flatMap(draft -> Unfinished.blanks(draft.flow()).stream())
                .toList();
    }
}
