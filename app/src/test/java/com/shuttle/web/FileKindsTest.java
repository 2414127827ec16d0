package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FileKindsTest {

    private static byte[] bytes(String written) {
        return written.startsWith("0x")
                ? HexFormat.of().parseHex(written.substring(2))
                : written.getBytes(StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "%PDF-1.7 and so on|plan.pdf",
                "0x89504e470d0a1a0a0000000d49484452|photo.PNG",
                "0xffd8ffe000104a464946|photo.jpeg",
                "0x504b030414000600|list.docx",
                "0x504b030414000600|list.zip",
                "name,places|list.csv",
                "Just words.|note.txt",
                "Just words.|note.unheardof",
            })
    void whatIsAsNamedIsTaken(String content, String name) {
        assertThat(FileKinds.isAsNamed(bytes(content), name)).isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "<!doctype html><title>x</title>|plan.pdf",
                "<html><script>alert(1)</script>|page.html",
                "<svg xmlns=\"http://www.w3.org/2000/svg\"><script/></svg>|drawing.svg",
                "<svg xmlns=\"http://www.w3.org/2000/svg\"><script/></svg>|drawing.png",
                "<?xml version=\"1.0\"?><html xmlns=\"http://www.w3.org/1999/xhtml\"/>|list.csv",
                "#!/bin/sh|note.txt",
                "<?php echo 1;|note.txt",
                "0x7f454c46020101|note.txt",
                "0x7f454c46020101|note.unheardof",
                "Just words.|photo.png",
                "%PDF-1.7|photo.png",
                "alert(1)|script.js",
            })
    void whatIsSomethingElseOrCouldBeRunIsNot(String content, String name) {
        assertThat(FileKinds.isAsNamed(bytes(content), name)).isFalse();
    }
}
