package com.shuttle.panel;

import static org.assertj.core.api.Assertions.assertThat;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import com.shuttle.TestData;
import com.shuttle.core.cue.Cue;
import com.shuttle.core.cue.Happening;
import com.shuttle.core.cue.Where;
import com.shuttle.web.Checked;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The form of a cue says what is wrong at its place; codes are read as what was written. */
class CueFormTest {

    private static final CueForm.Rows NOWHERE = new CueForm.Rows(List.of(), List.of(), List.of());

    private static Map<String, String> filled() {
        return new HashMap<>(Map.of(
                "name", "Schools", "on", "yes", "what", "stayed", "amount", "30", "greeting", "Hello!", "visit", "1"));
    }

    private static Checked<Cue> read(Map<String, String> form) {
        return CueForm.read("c", form, NOWHERE, List.of("phone", "toaster"));
    }

    @Test
    void whatIsFilledInIsACue() {
        Map<String, String> form = filled();
        form.put("hours-monday", "09:00-12:00");
        form.put("languages", "EN, fr-CA");
        form.put("words", " enquiry ; booking,");
        CueForm.Rows rows = new CueForm.Rows(
                List.of("page", "referrer", "page"),
                List.of("pattern", "not_contains", "equals"),
                List.of("/Schools*", "news.example", " "));
        Cue cue = TestData.good(CueForm.read("c", form, rows, List.of("phone", "toaster")));
        assertThat(cue.what()).isEqualTo(Happening.STAYED);
        assertThat(cue.amount()).isEqualTo(30);
        assertThat(cue.languages()).containsExactly("en", "fr-ca");
        assertThat(cue.words()).containsExactly("enquiry", "booking");
        assertThat(cue.devices()).containsExactly("phone");
        assertThat(cue.hours()).containsEntry("monday", "09:00-12:00");
        assertThat(cue.limits()).isEqualTo(new Cue.Limits(1, 0, 0, 0));
        assertThat(cue.where())
                .containsExactly(
                        new Where(Where.Of.PAGE, Where.How.PATTERN, "/schools*", false),
                        new Where(Where.Of.REFERRER, Where.How.CONTAINS, "news.example", true));
    }

    @ParameterizedTest
    @CsvSource({
        "name, ''",
        "amount, 999999",
        "amount, soon",
        "greeting, ''",
        "languages, English!",
        "hours-monday, 25:00-26:00",
        "visit, -1",
        "pause, 5000",
    })
    void whatIsWrongIsSaidAtItsPlace(String field, String value) {
        Map<String, String> form = filled();
        form.put(field, value);
        String at = field.startsWith("hours-") ? "hours" : field;
        assertThat(((Checked.Bad<Cue>) read(form)).errors()).containsOnlyKeys(at);
    }

    @Test
    void whoOpensTheChatNeedSayNothing() {
        Map<String, String> form = filled();
        form.put("greeting", "");
        form.put("opens", "yes");
        form.put("what", "leaving");
        assertThat(TestData.good(read(form)).amount()).isZero();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"http://localhost:8080/chat/vesper", "https://bots.tarnfell.example/chat/a-long-name-indeed"})
    void codesAreRead(String address) throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(QrCode.png(address)));
        int[] dots = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        RGBLuminanceSource source = new RGBLuminanceSource(image.getWidth(), image.getHeight(), dots);
        assertThat(new QRCodeReader()
                        .decode(new BinaryBitmap(new HybridBinarizer(source)))
                        .getText())
                .isEqualTo(address);
        assertThat(QrCode.svg(address)).startsWith("<svg").contains("<path");
    }
}
