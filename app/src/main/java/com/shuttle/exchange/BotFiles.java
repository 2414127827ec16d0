package com.shuttle.exchange;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.bots.Draft;
import com.shuttle.bots.Manner;
import com.shuttle.bots.MediaService;
import com.shuttle.core.acts.Mark;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.Variable;
import com.shuttle.core.knowledge.Content;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.marks.MarkService;
import com.shuttle.settings.AccountService;
import com.shuttle.settings.Team;
import com.shuttle.web.Checked;
import com.shuttle.web.Json;
import com.shuttle.web.SafeZip;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;

/**
 * A bot as one file: a zip with {@code bot.json} ({@code shuttle-bot/1}), {@code flows/ID.json} ({@code shuttle-flow/1}),
 * {@code collections/ID.json} and {@code media/ID}. Saved, deleted and loaded again it is the same bot, with another id.
 * Thread-safe.
 */
@Service
class BotFiles {

    static final String FORMAT = "shuttle-bot/1";

    private static final Pattern MEDIA = Pattern.compile("/media/([A-Za-z0-9_-]{10,64})");

    /**
     * What {@code bot.json} holds.
     *
     * @param flows       their ids, in order
     * @param collections id to name of those it answers from
     * @param teams       id to name of those that its flows name
     * @param marks       what was said of messages to it
     */
    record Manifest(
            String format,
            String slug,
            String name,
            String description,
            String region,
            String zone,
            String mainFlow,
            List<Variable> variables,
            List<StandingWords> standing,
            Manner manner,
            List<String> flows,
            Map<String, String> collections,
            Map<String, String> teams,
            List<MarkLine> marks) {}

    /** A mark in the file. @param kind what the clause does, by its key */
    record MarkLine(String clause, String waits, String question, String kind) {

        static MarkLine of(Mark mark) {
            return new MarkLine(
                    mark.clause(), mark.waits(), mark.question(), mark.kind().key());
        }

        /** Empty where it says nothing that clauses do. */
        Optional<Mark> mark() {
            return MarkService.kind(kind).map(read -> new Mark(clause, waits, question == null ? "" : question, read));
        }
    }

    private final BotService bots;
    private final KnowledgeService knowledge;
    private final MediaService media;
    private final AccountService accounts;
    private final MarkService marks;
    private final FlowJson flowJson = new FlowJson();
    private final BotFileCheck check = new BotFileCheck();

    BotFiles(
            BotService bots,
            KnowledgeService knowledge,
            MediaService media,
            AccountService accounts,
            MarkService marks) {
        this.marks = marks;
        this.bots = bots;
        this.knowledge = knowledge;
        this.media = media;
        this.accounts = accounts;
    }

    /** Writes a bot with the drafts of its flows. */
    void write(String id, OutputStream out) throws IOException {
        Bot bot = bots.bot(id);
        List<Flow> flows = bots.drafts(id).stream().map(Draft::flow).toList();
        Map<String, String> collections = new TreeMap<>();
        Set<String> used = Set.copyOf(knowledge.collectionsOf(id));
        knowledge.collections().stream()
                .filter(collection -> used.contains(collection.id()))
                .forEach(collection -> collections.put(collection.id(), collection.name()));
        String all = Json.write(bot.manner()) + Json.write(flows);
        Map<String, String> teams = new TreeMap<>();
        accounts.teams().stream()
                .filter(team -> all.contains("\"" + team.id() + "\""))
                .forEach(team -> teams.put(team.id(), team.name()));
        Manifest manifest = new Manifest(
                FORMAT,
                bot.slug(),
                bot.name(),
                bot.description(),
                bot.region(),
                bot.zone(),
                bot.mainFlow(),
                bot.variables(),
                bot.standing(),
                bot.manner(),
                flows.stream().map(Flow::id).toList(),
                collections,
                teams,
                marks.of(id).stream().map(MarkLine::of).toList());
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            put(zip, "bot.json", Json.write(manifest).getBytes(StandardCharsets.UTF_8));
            for (Flow flow : flows) {
                put(zip, "flows/" + flow.id() + ".json", FlowJson.write(flow).getBytes(StandardCharsets.UTF_8));
            }
            for (String collection : collections.keySet()) {
                String content = Json.write(knowledge.content(collection));
                put(zip, "collections/" + collection + ".json", content.getBytes(StandardCharsets.UTF_8));
            }
            Set<String> shown = new LinkedHashSet<>();
            Matcher matcher = MEDIA.matcher(all);
            while (matcher.find()) {
                shown.add(matcher.group(1));
            }
            for (String one : shown) {
                var stored = media.find(one);
                if (stored.isPresent()) {
                    put(zip, "media/" + one, Files.readAllBytes(stored.get().file()));
                }
            }
        }
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }

    /** Makes a bot of such a file. Nothing is made of one that is not whole. */
    @Transactional
    public Checked<Bot> read(InputStream in, @Nullable String account) throws IOException {
        Map<String, byte[]> files;
        try {
            files = SafeZip.read(in);
        } catch (SafeZip.Refused refused) {
            return Checked.bad("file", refused.getMessage());
        }
        Manifest manifest;
        Map<String, Content> contents = new LinkedHashMap<>();
        try {
            String json = text(files, "bot.json");
            manifest = Json.read(json, Manifest.class);
            if (manifest == null || !FORMAT.equals(manifest.format())) {
                return Checked.bad(
                        "file",
                        manifest != null
                                        && manifest.format() != null
                                        && manifest.format().startsWith("shuttle-bot/")
                                ? "This file was made by a newer Shuttle (" + manifest.format() + ")."
                                : "This file is no bot of Shuttle.");
            }
            Optional<String> wrong = check.manifest(json);
            if (wrong.isPresent()) {
                return Checked.bad("file", "This file is no bot of Shuttle: bot.json, " + wrong.get());
            }
            for (String id : orEmpty(manifest.collections()).keySet()) {
                contents.put(id, Json.read(text(files, "collections/" + id + ".json"), Content.class));
            }
        } catch (JacksonException | IllegalArgumentException e) {
            return Checked.bad("file", "This file is no bot of Shuttle: bot.json or a collection cannot be read.");
        }
        for (Content content : contents.values()) {
            Optional<String> wrong = content == null ? Optional.of("nothing") : BotFileCheck.content(content);
            if (wrong.isPresent()) {
                return Checked.bad("file", "A collection of this file has " + wrong.get() + ".");
            }
        }
        List<Flow> flows = new ArrayList<>();
        for (String id : manifest.flows() == null ? List.<String>of() : manifest.flows()) {
            switch (flowJson.read(text(files, "flows/" + id + ".json"))) {
                case FlowJson.Result.Good(Flow flow) -> flows.add(flow);
                case FlowJson.Result.Bad bad -> {
                    return Checked.bad(
                            "file",
                            "The flow " + id + " cannot be read: "
                                    + bad.faults().getFirst().place() + " "
                                    + bad.faults().getFirst().message());
                }
            }
        }
        if (flows.stream().noneMatch(flow -> flow.id().equals(manifest.mainFlow()))
                || flows.stream().map(Flow::id).distinct().count() != flows.size()) {
            return Checked.bad("file", "The file has no main flow, or two flows with one id.");
        }
        return Checked.good(make(manifest, flows, contents, files, account));
    }

    private Bot make(
            Manifest manifest,
            List<Flow> flows,
            Map<String, Content> contents,
            Map<String, byte[]> files,
            @Nullable String account)
            throws IOException {
        Map<String, String> renamed = new LinkedHashMap<>(teams(orEmpty(manifest.teams())));
        List<String> collections = new ArrayList<>();
        contents.forEach((id, content) -> {
            boolean same = knowledge.collections().stream()
                    .anyMatch(other ->
                            other.id().equals(id) && knowledge.content(id).equals(content));
            String own = same
                    ? id
                    : knowledge.bringIn(id, orEmpty(manifest.collections()).getOrDefault(id, ""), content);
            collections.add(own);
            renamed.put("\"" + id + "\"", "\"" + own + "\"");
        });
        Bot made = bots.create(like(manifest, manifest.manner()), List.of(), "", account);
        for (Map.Entry<String, byte[]> file : files.entrySet()) {
            if (file.getKey().startsWith("media/")) {
                String address = "/" + file.getKey();
                if (media.bringIn(made.id(), address, file.getValue()) instanceof Checked.Good<String>(String own)) {
                    renamed.put("\"" + address + "\"", "\"" + own + "\"");
                }
            }
        }
        Manner manner = manifest.manner() == null ? Manner.PLAIN : manifest.manner();
        bots.adopt(made.id(), Json.read(replaced(Json.write(manner), renamed), Manner.class));
        for (Flow flow : flows) {
            Flow own = FlowJson.readTrusted(replaced(FlowJson.write(flow), renamed));
            bots.putFlow(made.id(), own, "brought in from a file", account);
        }
        knowledge.setCollections(made.id(), collections);
        for (MarkLine line : manifest.marks() == null ? List.<MarkLine>of() : manifest.marks()) {
            line.mark().ifPresent(mark -> marks.put(made.id(), mark, account));
        }
        return bots.bot(made.id());
    }

    private static Bot like(Manifest manifest, @Nullable Manner manner) {
        String name = fit(manifest.name(), 200, "Bot");
        boolean country = Arrays.asList(Locale.getISOCountries()).contains(manifest.region());
        boolean zone = manifest.zone() != null && ZoneId.getAvailableZoneIds().contains(manifest.zone());
        return new Bot(
                "",
                fit(manifest.slug(), 50, name),
                name,
                fit(manifest.description(), 2000, ""),
                country ? manifest.region() : "GB",
                zone ? manifest.zone() : "UTC",
                manifest.mainFlow(),
                manifest.variables() == null ? List.of() : manifest.variables(),
                manifest.standing() == null ? List.of() : manifest.standing(),
                manner == null ? Manner.PLAIN : manner,
                false);
    }

    private static String fit(@Nullable String text, int longest, String otherwise) {
        return text == null || text.isBlank()
                ? otherwise
                : text.strip().substring(0, Math.min(longest, text.strip().length()));
    }

    /** Quoted id of a team in the file to that of the team of the same id or name here, or to none. */
    private Map<String, String> teams(Map<String, String> named) {
        Map<String, String> own = new LinkedHashMap<>();
        List<Team> here = accounts.teams();
        named.forEach((id, name) -> own.put(
                "\"" + id + "\"",
                here.stream()
                        .filter(team -> team.id().equals(id))
                        .findFirst()
                        .or(() -> here.stream()
                                .filter(team -> team.name().equals(name))
                                .findFirst())
                        .map(team -> "\"" + team.id() + "\"")
                        .orElse("\"\"")));
        return own;
    }

    private static String replaced(String json, Map<String, String> renamed) {
        String text = json;
        for (Map.Entry<String, String> entry : renamed.entrySet()) {
            text = text.replace(entry.getKey(), entry.getValue());
        }
        return text;
    }

    private static Map<String, String> orEmpty(@Nullable Map<String, String> map) {
        return map == null ? Map.of() : map;
    }

    private static String text(Map<String, byte[]> files, String name) {
        byte[] bytes = files.get(name);
        if (bytes == null) {
            throw new IllegalArgumentException("missing " + name);
        }
        return new String(bytes, StandardCharsets.UTF_8);
    }

    /** As {@link #write}, for callers in lambdas. */
    void writeUnchecked(String id, OutputStream out) {
        try {
            write(id, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
