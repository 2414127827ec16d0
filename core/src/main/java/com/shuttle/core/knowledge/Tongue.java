package com.shuttle.core.knowledge;

import com.shuttle.core.reading.Words;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.lucene.analysis.CharArraySet;
import org.apache.lucene.analysis.de.GermanAnalyzer;
import org.apache.lucene.analysis.es.SpanishAnalyzer;
import org.apache.lucene.analysis.fr.FrenchAnalyzer;
import org.apache.lucene.analysis.it.ItalianAnalyzer;
import org.apache.lucene.analysis.nl.DutchAnalyzer;
import org.apache.lucene.analysis.pt.PortugueseAnalyzer;
import org.apache.lucene.analysis.sv.SwedishAnalyzer;

/**
 * Tells by its small words which language a text is in, well enough not to answer what the models cannot read. Pure
 * functions.
 */
public final class Tongue {

    /** What a text is taken for where nothing speaks against it. */
    public static final String ENGLISH = "en";

    private static final Map<String, CharArraySet> SMALL_WORDS = new TreeMap<>(Map.of(
            "de", GermanAnalyzer.getDefaultStopSet(),
            "es", SpanishAnalyzer.getDefaultStopSet(),
            "fr", FrenchAnalyzer.getDefaultStopSet(),
            "it", ItalianAnalyzer.getDefaultStopSet(),
            "nl", DutchAnalyzer.getDefaultStopSet(),
            "pt", PortugueseAnalyzer.getDefaultStopSet(),
            "sv", SwedishAnalyzer.getDefaultStopSet()));

    private static final Set<String> ENGLISH_WORDS =
            Set.of(("a about after all also am an and any are as at be because been"
                            + " before but by can come could day did do does for from get go had has have he her here him his how i if in"
                            + " into is it its just know like long make man many may me more much my need no not now of on one only or"
                            + " other our out over people so some take than that the their them then there these they this time to up us"
                            + " use want was we what when where which who will with would you your open die men war van")
                    .split(" "));

    /** Words that by themselves give a language away. */
    private static final Map<String, Set<String>> TELLING = Map.of(
            "de",
                    Set.of(
                            ("hallo danke bitte ich wir nicht koennen können wieviel wann gibt sprechen deutsch guten tag parken kosten oeffnungszeiten öffnungszeiten")
                                    .split(" ")),
            "es",
                    Set.of(
                            ("hola gracias cuanto cuesta donde quiero queremos puedo horario precio entradas niños ninos español espanol")
                                    .split(" ")),
            "fr",
                    Set.of(
                            ("bonjour merci combien parlez francais voulons voudrais prix horaires ouvert enfants bonsoir")
                                    .split(" ")),
            "it",
                    Set.of(("ciao grazie quanto costa dove vorrei possiamo orari prezzo bambini italiano buongiorno")
                            .split(" ")),
            "nl", Set.of(("hallo dank alstublieft hoeveel waar wanneer kunnen kinderen nederlands prijs").split(" ")),
            "pt", Set.of(("ola obrigado obrigada quanto custa onde quero podemos preço preco português").split(" ")),
            "sv", Set.of(("hej tack hur mycket kostar var nar när vill kan barn svenska").split(" ")));

    private Tongue() {}

    private static String told(List<String> words) {
        return new TreeMap<>(TELLING)
                .entrySet().stream()
                        .filter(entry -> words.stream().anyMatch(entry.getValue()::contains))
                        .max(Comparator.comparingLong(entry -> words.stream()
                                .filter(entry.getValue()::contains)
                                .count()))
                        .map(Map.Entry::getKey)
                        .orElse(ENGLISH);
    }

    /** A language's code; {@code "?"} for another script than the Latin one. */
    public static String of(String text) {
        long letters = text.codePoints().filter(Character::isLetter).count();
        long latin = text.codePoints()
                .filter(c -> Character.UnicodeScript.of(c) == Character.UnicodeScript.LATIN)
                .count();
        if (latin * 2 < letters) {
            return "?";
        }
        List<String> words = Words.of(text);
        long english = words.stream().filter(ENGLISH_WORDS::contains).count();
        return SMALL_WORDS.entrySet().stream()
                .map(entry -> Map.entry(
                        entry.getKey(),
                        words.stream()
                                .filter(word -> entry.getValue().contains(word) && !ENGLISH_WORDS.contains(word))
                                .count()))
                .filter(entry -> entry.getValue() >= 2 && entry.getValue() > english)
                .max(Comparator.comparingLong(Map.Entry::getValue))
                .map(Map.Entry::getKey)
                .orElseGet(() -> english > 0 ? ENGLISH : told(words));
    }
}
