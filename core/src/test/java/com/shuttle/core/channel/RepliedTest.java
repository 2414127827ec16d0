package com.shuttle.core.channel;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Message.Offer;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is typed or pressed on a phone, before the conversation hears it. */
class RepliedTest {

    private static final List<Offer> OFFERS =
            List.of(new Offer("visit", "A visit"), new Offer("hire", "Hire"), new Offer("stop", "Stop here"));

    @ParameterizedTest
    @CsvSource({"1,visit", "2.,hire", " 3) ,stop", "#2,hire", "no 2,hire", "Number 1,visit", "option 3,stop"})
    void anOptionByItsNumber(String text, String picked) {
        assertThat(Replied.words(text, OFFERS, false, 0, PhoneWords.ENGLISH))
                .isEqualTo(new Replied.Picks(List.of(picked)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "4", "12", "2 of us", "1, 2", "two", "30 children", "1st", "١"})
    void otherNumbersAreWords(String text) {
        assertThat(Replied.words(text, OFFERS, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words(text));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"1, 3|visit stop", "3 and 1|stop visit", "1 2 2|visit hire", "2|hire"})
    void severalByTheirNumbers(String text, String picked) {
        assertThat(Replied.words(text, OFFERS, true, 0, PhoneWords.ENGLISH))
                .isEqualTo(new Replied.Picks(List.of(picked.split(" "))));
    }

    @ParameterizedTest
    @ValueSource(strings = {"1, 9", "1 and tea", "all"})
    void severalWithAnyOtherWordAreWords(String text) {
        assertThat(Replied.words(text, OFFERS, true, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words(text));
    }

    @ParameterizedTest
    @ValueSource(strings = {"STOP", "stop", " Stop. ", "UNSUBSCRIBE", "stop all", "Quit!"})
    void stopWordsAloneStop(String text) {
        assertThat(Replied.words(text, List.of(), false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Stop());
    }

    @ParameterizedTest
    @ValueSource(strings = {"please stop by at ten", "bus stop", "stop it", "the end"})
    void stopWordsAmongOthersDoNot(String text) {
        assertThat(Replied.words(text, List.of(), false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words(text));
    }

    @Test
    void anotherLanguageHasItsOwnWordsBesideTheEnglish() {
        PhoneWords french = PhoneWords.of(
                english -> english.startsWith("stop") ? "arrêt, Fin" : english.startsWith("hi,") ? "bonjour" : english);
        for (String stop : List.of("fin", "Arrêt.", "STOP")) {
            assertThat(Replied.words(stop, List.of(), false, 0, french)).isEqualTo(new Replied.Stop());
        }
        assertThat(Replied.words("fin", List.of(), false, 0, PhoneWords.ENGLISH))
                .isEqualTo(new Replied.Words("fin"));
        assertThat(List.of("Bonjour !", "hello there", "Hi, all.")).allMatch(french::greets);
        assertThat(List.of("bonjour madame", "hire", "", "good")).noneMatch(french::greets);
    }

    @Test
    void anOptionOfThatNameGoesFirst() {
        List<Offer> offers = List.of(new Offer("go", "Start"), new Offer("end", "Stop"), new Offer("two", "2"));
        assertThat(Replied.words("stop", offers, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words("stop"));
        assertThat(Replied.words("START", offers, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words("START"));
        assertThat(Replied.words("2", offers, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words("2"));
        assertThat(Replied.words("1", offers, false, 0, PhoneWords.ENGLISH))
                .isEqualTo(new Replied.Picks(List.of("go")));
    }

    @Test
    void moreLeadsOnWhereThereIsMore() {
        List<Offer> long20 = IntStream.range(0, 20)
                .mapToObj(i -> new Offer("o" + i, "Number " + i))
                .toList();
        assertThat(Replied.words("More", long20, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.More(1));
        assertThat(Replied.words("more", long20, false, 1, PhoneWords.ENGLISH)).isEqualTo(new Replied.More(2));
        assertThat(Replied.words("more", long20, false, 2, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words("more"));
        assertThat(Replied.words("more", OFFERS, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words("more"));
        assertThat(Replied.pressed("more:2")).isEqualTo(new Replied.More(2));
        assertThat(Replied.pressed("more:x")).isEqualTo(new Replied.Picks(List.of("more:x")));
    }

    @Test
    void linksHaveNoNumbers() {
        List<Offer> offers = List.of(
                new Offer("page", "Our page", "", "", "", "", "https://tarnfell.example/"), new Offer("yes", "Yes"));
        assertThat(Replied.words("1", offers, false, 0, PhoneWords.ENGLISH))
                .isEqualTo(new Replied.Picks(List.of("yes")));
        assertThat(Replied.words("2", offers, false, 0, PhoneWords.ENGLISH)).isEqualTo(new Replied.Words("2"));
    }
}
