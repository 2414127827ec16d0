package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SafeZipTest {

    private static byte[] zip(String... names) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            for (String name : names) {
                out.putNextEntry(new ZipEntry(name));
                if (!name.endsWith("/")) {
                    out.write(name.getBytes(StandardCharsets.UTF_8));
                }
            }
        }
        return bytes.toByteArray();
    }

    private static Object read(byte[] bytes) throws Exception {
        return SafeZip.read(new ByteArrayInputStream(bytes));
    }

    @Test
    void filesAreReadInTheirOrderAndFoldersLeftOut() throws Exception {
        var files =
                SafeZip.read(new ByteArrayInputStream(zip("flows/", "flows/main.json", "bot.json", "media/AbC_-09")));
        assertThat(files.keySet()).containsExactly("flows/main.json", "bot.json", "media/AbC_-09");
        assertThat(files.get("bot.json")).isEqualTo("bot.json".getBytes(StandardCharsets.UTF_8));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "../bot.json",
                "flows/../../bot.json",
                "/bot.json",
                "C:\\bot.json",
                "flows\\main.json",
                "bot.json.exe.json/x/y/z",
                "a b.json",
                ".hidden",
                "flows/\u202emain.json",
            })
    void namesThatNoBotsFileHasAreRefused(String name) throws IOException {
        byte[] bytes = zip(name);
        assertThatThrownBy(() -> read(bytes))
                .isInstanceOf(SafeZip.Refused.class)
                .hasMessageContaining("name");
    }

    @Test
    void tooManyFilesAreRefused() throws IOException {
        String[] names = new String[SafeZip.MOST_FILES + 1];
        for (int i = 0; i < names.length; i++) {
            names[i] = "f" + i;
        }
        byte[] bytes = zip(names);
        assertThatThrownBy(() -> read(bytes))
                .isInstanceOf(SafeZip.Refused.class)
                .hasMessageContaining("2000");
    }

    @Test
    void aBombIsRefusedBeforeItIsUnpacked() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream out = new ZipOutputStream(bytes)) {
            byte[] zeros = new byte[1 << 20];
            for (int i = 0; i < 80; i++) {
                out.putNextEntry(new ZipEntry("f" + i));
                out.write(zeros);
            }
        }
        byte[] bomb = bytes.toByteArray();
        assertThat(bomb.length).isLessThan(200_000);
        assertThatThrownBy(() -> read(bomb)).isInstanceOf(SafeZip.Refused.class).hasMessageContaining("64 MB");
    }

    @Test
    void whatIsNoZipOrACutOffOneIsRefused() throws IOException {
        assertThatThrownBy(() -> read("hello".getBytes(StandardCharsets.UTF_8))).isInstanceOf(SafeZip.Refused.class);
        assertThatThrownBy(() -> read(zip())).isInstanceOf(SafeZip.Refused.class);
    }
}
