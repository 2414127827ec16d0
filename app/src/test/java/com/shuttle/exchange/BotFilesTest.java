package com.shuttle.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.bots.Bot;
import com.shuttle.bots.BotForm;
import com.shuttle.bots.BotService;
import com.shuttle.bots.Draft;
import com.shuttle.bots.Manner;
import com.shuttle.bots.MediaService;
import com.shuttle.core.acts.Kind;
import com.shuttle.core.acts.Mark;
import com.shuttle.core.conversation.Playbook;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import com.shuttle.marks.MarkService;
import com.shuttle.settings.AccountService;
import com.shuttle.web.Checked;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

@ServerTest
class BotFilesTest {

    private static final byte[] PIXEL = Base64.getDecoder()
            .decode("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==");

    private final TestData data;
    private final BotFiles files;
    private final BotService bots;
    private final MediaService media;
    private final AccountService accounts;
    private final MarkService marks;

    BotFilesTest(
            TestData data,
            BotFiles files,
            BotService bots,
            MediaService media,
            AccountService accounts,
            MarkService marks) {
        this.marks = marks;
        this.data = data;
        this.files = files;
        this.bots = bots;
        this.media = media;
        this.accounts = accounts;
    }

    /** A bot with a bit of everything. */
    private Bot full() throws IOException {
        Bot bot = data.bot();
        String picture = TestData.good(media.keep(bot.id(), "dot.png", PIXEL));
        String team = TestData.good(accounts.createTeam(data.name("Team"))).id();
        Manner manner = new Manner(picture, team, Map.of("monday", "09:00-17:00"), "en-GB", 30);
        bot = TestData.good(bots.change(
                bot.id(), new BotForm(data.name("Full"), bot.slug(), "All there is", "CH", "Europe/Zurich", manner)));
        TestData.good(data.variables.declare(
                bot.id(), new Variable("guests", ValueType.NUMBER, Variable.Origin.CONVERSATION, "how many")));
        bots.behave(bot.id(), bot.manner(), List.of(new StandingWords("person", false, List.of("a human please"))));
        String collection = data.collectionOf(bot, "When are you open?", "At noon.");
        bots.putFlow(bot.id(), FlowJson.readTrusted("""
                {"format":"shuttle-flow/1","id":"main","name":"Main","phrases":["hello"],"sections":[{"id":"s1","title":"Hi","steps":[
                  {"kind":"message","id":"n1","say":["Look"],"media":{"type":"picture","address":"%s","alt":"A dot"},"exits":{"next":"flow:other"}},
                  {"kind":"answer","id":"n2","ask":["Ask"],"collections":["%s"],"exits":{"not_found":"step:n3"}},
                  {"kind":"hand_off","id":"n3","say":["One moment"],"team":"%s","exits":{}}]}],
                 "pins":{"n2":{"x":40,"y":-7}}}""".formatted(picture, collection, team)), "test", null);
        bots.putFlow(bot.id(), Flow.empty("other", "Other"), "test", null);
        TestData.good(marks.put(bot.id(), new Mark("the usual", "person_name", "Who?", Kind.KNOWLEDGE), null));
        return bots.bot(bot.id());
    }

    private byte[] written(Bot bot) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        files.write(bot.id(), out);
        return out.toByteArray();
    }

    private Checked<Bot> read(byte[] zip) throws IOException {
        return files.read(new ByteArrayInputStream(zip), null);
    }

    private static Map<String, byte[]> unpacked(byte[] zip) throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                entries.put(entry.getName(), in.readAllBytes());
            }
        }
        return entries;
    }

    private static byte[] zip(Map<String, byte[]> entries) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (Map.Entry<String, byte[]> entry : entries.entrySet()) {
                out.putNextEntry(new ZipEntry(entry.getKey()));
                out.write(entry.getValue());
            }
        }
        return bytes.toByteArray();
    }

    private List<Flow> flows(Bot bot) {
        return bots.drafts(bot.id()).stream().map(Draft::flow).toList();
    }

    /** Every value of bot.json and of a collection, one after the other, in every wrong form. */
    @Test
    void aFileThatIsBrokenAnywhereIsRefusedOrStillABotThatOpens() throws IOException {
        Map<String, byte[]> whole = unpacked(written(full()));
        JsonMapper mapper = JsonMapper.shared();
        for (String name : whole.keySet().stream()
                .filter(file -> file.equals("bot.json") || file.startsWith("collections/"))
                .toList()) {
            JsonNode tree = mapper.readTree(whole.get(name));
            for (String pointer : pointers(tree, "")) {
                for (String value :
                        List.of("null", "\"\"", "-1", "[]", "[null]", "{}", "\"" + "x".repeat(3000) + "\"")) {
                    JsonNode broken = replaced(mapper.readTree(whole.get(name)), pointer, mapper.readTree(value));
                    Map<String, byte[]> files = new LinkedHashMap<>(whole);
                    files.put(name, mapper.writeValueAsBytes(broken));
                    if (read(zip(files)) instanceof Checked.Good<Bot>(Bot made)) {
                        assertThat(new Playbook(bots.draftRelease(bots.bot(made.id()))).variables())
                                .as(name + pointer + " " + value)
                                .isNotNull();
                        bots.delete(made.id());
                    }
                }
            }
        }
    }

    private static List<String> pointers(JsonNode node, String at) {
        List<String> pointers = new ArrayList<>();
        if (!at.isEmpty()) {
            pointers.add(at);
        }
        node.propertyStream()
                .forEach(field -> pointers.addAll(pointers(
                        field.getValue(),
                        at + "/" + field.getKey().replace("~", "~0").replace("/", "~1"))));
        for (int i = 0; node.isArray() && i < node.size(); i++) {
            pointers.addAll(pointers(node.get(i), at + "/" + i));
        }
        return pointers;
    }

    private static JsonNode replaced(JsonNode tree, String pointer, JsonNode value) {
        int last = pointer.lastIndexOf('/');
        JsonNode parent = tree.at(pointer.substring(0, last));
        String name = pointer.substring(last + 1).replace("~1", "/").replace("~0", "~");
        if (parent instanceof ObjectNode object) {
            object.set(name, value);
        } else if (parent instanceof ArrayNode array) {
            array.set(Integer.parseInt(name), value);
        }
        return tree;
    }

    @Test
    void savedDeletedAndLoadedItIsTheSameBot() throws IOException {
        Bot bot = full();
        byte[] zip = written(bot);
        List<Flow> flows = flows(bot);
        List<String> collections = data.knowledge.collectionsOf(bot.id());
        bots.delete(bot.id());

        Bot back = TestData.good(read(zip));
        assertThat(back).usingRecursiveComparison().ignoringFields("id").isEqualTo(bot);
        assertThat(flows(back)).isEqualTo(flows);
        assertThat(data.knowledge.collectionsOf(back.id())).isEqualTo(collections);
        assertThat(marks.of(back.id())).isEqualTo(marks.of(bot.id())).hasSize(1);
        assertThat(unpacked(written(back))).usingRecursiveComparison().isEqualTo(unpacked(zip));
    }

    @Test
    void whereItsCollectionAndPictureAreGoneTheyComeWithTheFile() throws IOException {
        Bot bot = full();
        byte[] zip = written(bot);
        String collection = data.knowledge.collectionsOf(bot.id()).getFirst();
        var content = data.knowledge.content(collection);
        data.knowledge.delete(collection);
        bots.delete(bot.id());
        Bot back = TestData.good(read(zip));
        assertThat(data.knowledge.content(
                        data.knowledge.collectionsOf(back.id()).getFirst()))
                .isEqualTo(content);
        assertThat(flows(back)).isEqualTo(flows(back));
        assertThat(back.manner().picture()).isEqualTo(bot.manner().picture());
    }

    @Test
    void loadedTwiceThereAreTwo() throws IOException {
        byte[] zip = written(full());
        Bot one = TestData.good(read(zip));
        Bot two = TestData.good(read(zip));
        assertThat(one.slug()).isNotEqualTo(two.slug());
        assertThat(flows(one)).isEqualTo(flows(two));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "../evil.json | name that Shuttle does not write",
                "/etc/passwd | name that Shuttle does not write",
                "flows/a/b/c/d.json | name that Shuttle does not write",
            })
    void namesThatClimbOutAreRefused(String name, String why) throws IOException {
        Checked<Bot> read = read(zip(Map.of(name, new byte[] {1})));
        assertThat(read.toString()).contains(why);
    }

    @Test
    void aZipThatUnpacksToGigabytesIsRefused() throws IOException {
        assertThat(read(zip(Map.of("media/aaaaaaaaaaaa", new byte[65_000_000]))).toString())
                .contains("unpacks to more than 64 MB");
    }

    @Test
    void brokenNewerAndForeignFilesAreRefusedAndLeaveNothing() throws IOException {
        int before = bots.bots().size();
        assertThat(read("no zip".getBytes()).toString()).contains("no zip");
        assertThat(read(new byte[0]).toString()).contains("no zip");
        Map<String, byte[]> entries = unpacked(written(full()));
        int made = bots.bots().size();

        Map<String, byte[]> newer = new LinkedHashMap<>(entries);
        newer.put(
                "bot.json",
                new String(entries.get("bot.json"))
                        .replace("shuttle-bot/1", "shuttle-bot/7")
                        .getBytes());
        assertThat(read(zip(newer)).toString()).contains("newer Shuttle");

        Map<String, byte[]> broken = new LinkedHashMap<>(entries);
        broken.put("flows/main.json", "{\"format\":".getBytes());
        assertThat(read(zip(broken)).toString()).contains("flow main cannot be read");

        Map<String, byte[]> doubled = new LinkedHashMap<>(entries);
        doubled.put(
                "flows/main.json",
                new String(entries.get("flows/main.json"))
                        .replace("\"n2\"", "\"n1\"")
                        .getBytes());
        assertThat(read(zip(doubled)).toString()).contains("used twice");

        Map<String, byte[]> headless = new LinkedHashMap<>(entries);
        headless.remove("bot.json");
        assertThat(read(zip(headless))).isInstanceOf(Checked.Bad.class);

        assertThat(bots.bots()).hasSize(made);
        assertThat(made).isEqualTo(before + 1);
    }

    @Test
    void aScriptThatSaysItIsAPictureIsNotKept() throws IOException {
        Map<String, byte[]> entries = new LinkedHashMap<>(unpacked(written(full())));
        entries.put("media/aaaaaaaaaaaabbbb", "<script>alert(1)</script>".getBytes());
        TestData.good(read(zip(entries)));
        assertThat(media.find("aaaaaaaaaaaabbbb")).isEmpty();
    }
}
