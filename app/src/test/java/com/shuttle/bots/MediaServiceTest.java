package com.shuttle.bots;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.ServerTest;
import com.shuttle.TestData;
import com.shuttle.web.Checked;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Arrays;
import java.util.HexFormat;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

@ServerTest
class MediaServiceTest {

    private final TestData data;
    private final MediaService media;

    MediaServiceTest(TestData data, MediaService media) {
        this.data = data;
        this.media = media;
    }

    private static byte[] bytes(String hex) {
        return Arrays.copyOf(HexFormat.of().parseHex(hex), 64);
    }

    private static String id(String address) {
        return address.substring("/media/".length());
    }

    @ParameterizedTest
    @CsvSource({
        "89504e470d0a1a0a, image/png",
        "ffd8ffe0, image/jpeg",
        "474946383961, image/gif",
        "255044462d312e37, application/pdf",
        "524946460000000057454250, image/webp",
        "00000018667479706d703432, video/mp4",
        "1a45dfa3a34286810142f7810142f2810442f381084282847765626d, video/webm",
    })
    void kindsAreToldByTheirFirstBytes(String hex, String type) throws IOException {
        String address = TestData.good(media.keep(data.bot().id(), "anything.exe", bytes(hex)));
        MediaService.Stored stored = media.find(id(address)).orElseThrow();
        assertThat(stored.type()).isEqualTo(type);
        assertThat(Files.readAllBytes(stored.file())).isEqualTo(bytes(hex));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"<svg xmlns='http://www.w3.org/2000/svg'/>", "<html>", "#!/bin/sh", "RIFF....WAVE", "", "GIF7"})
    void whatABrowserCouldRunIsRefusedWhateverItsName(String content) throws IOException {
        assertThat(media.keep(data.bot().id(), "picture.png", content.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(Checked.Bad.class);
    }

    @Test
    void whatIsTooLargeIsRefused() throws IOException {
        byte[] large = Arrays.copyOf(bytes("89504e470d0a1a0a"), 8_000_001);
        assertThat(media.keep(data.bot().id(), "large.png", large)).isInstanceOf(Checked.Bad.class);
    }

    @Test
    void whatComesBackKeepsItsAddressWhereItIsFreeOrTheSame() throws IOException {
        String bot = data.bot().id();
        byte[] dot = bytes("89504e470d0a1a0a01");
        byte[] other = bytes("89504e470d0a1a0a02");
        String address = TestData.good(media.keep(bot, "dot.png", dot));
        assertThat(TestData.good(media.bringIn(bot, address, dot))).isEqualTo(address);
        String elsewhere = TestData.good(media.bringIn(bot, address, other));
        assertThat(elsewhere).isNotEqualTo(address);
        assertThat(Files.readAllBytes(media.find(id(address)).orElseThrow().file()))
                .isEqualTo(dot);
        assertThat(TestData.good(media.bringIn(bot, "/media/freeaddress00" + bot, dot)))
                .isEqualTo("/media/freeaddress00" + bot);
    }

    @ParameterizedTest
    @ValueSource(strings = {"../../etc/passwd", "..", "short", "no such file at all"})
    void otherNamesFindNothing(String name) {
        assertThat(media.find(name)).isEmpty();
    }

    @Test
    void namesOfFilesAreCleanedAndCut() throws IOException {
        String address =
                TestData.good(media.keep(data.bot().id(), "x".repeat(500) + "\u202e.png", bytes("89504e470d0a1a0a")));
        assertThat(media.find(id(address))).isPresent();
    }
}
