package com.shuttle.core.bench;

import com.google.i18n.phonenumbers.NumberParseException;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.shuttle.core.flow.Option;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Context;
import com.shuttle.core.reading.Meaning;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.SeveralReader;
import com.shuttle.core.reading.Slot;
import java.math.BigDecimal;
import java.net.URI;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.apache.commons.validator.routines.EmailValidator;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Readings a second on one thread, for each type beside the nearest plain call of a library. */
@State(Scope.Thread)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
public class ReadingBench {

    private static final Context AT = new Context("GB", LocalDateTime.parse("2026-03-10T09:15"));
    private static final PhoneNumberUtil PHONES = PhoneNumberUtil.getInstance();
    private static final List<Option> ROOMS = List.of(
            new Option("a", "Garden Room", List.of()),
            new Option("b", "Library", List.of()),
            new Option("c", "Loft Studio", List.of()));
    private static final List<Slot> SLOTS = List.of(
            new Slot("name", "", ValueType.PERSON_NAME, List.of()),
            new Slot("email", "", ValueType.EMAIL, List.of()),
            new Slot("guests", "", ValueType.NUMBER, List.of()),
            new Slot("day", "", ValueType.DATE, List.of()),
            new Slot("room", "", ValueType.CHOICE, ROOMS));
    private static final Map<ValueType, String[]> SAID = new EnumMap<>(ValueType.class);

    static {
        SAID.put(ValueType.PERSON_NAME, new String[] {"my name is Ingrid Sablewood", "Tobias Quillfeather"});
        SAID.put(ValueType.COMPANY, new String[] {"I work for Brindlemoor & Sons Ltd", "moonpenny studios"});
        SAID.put(ValueType.EMAIL, new String[] {"it's mabel.thornybrook@example.com.", "pip at example dot org"});
        SAID.put(ValueType.PHONE, new String[] {"call me on 0117-496-0555 after 6pm please", "+44 20 7946 0018"});
        SAID.put(ValueType.NUMBER, new String[] {"there'll be about a dozen of us", "make it 5, not 4"});
        SAID.put(ValueType.MONEY, new String[] {"no more than three hundred and fifty pounds", "£2.5k at a push"});
        SAID.put(ValueType.DATE, new String[] {"the 27th would be ideal", "14 April"});
        SAID.put(ValueType.TIME, new String[] {"quarter to seven in the evening", "17:30"});
        SAID.put(ValueType.DATE_TIME, new String[] {"tomorrow at 3pm", "14 April, 2.30pm"});
        SAID.put(ValueType.URL, new String[] {"my site is example.com/shop", "https://example.org/page#prices"});
        SAID.put(ValueType.PLACE, new String[] {"I'm from Fernhollow", "near Larkhill"});
        SAID.put(ValueType.YES_NO, new String[] {"yes, wait, no, sorry no", "oh go on then"});
        SAID.put(ValueType.CHOICE, new String[] {"the loft one pls", "2nd one"});
        SAID.put(ValueType.MULTI_CHOICE, new String[] {"everything except the library", "first and last"});
        SAID.put(ValueType.TEXT, new String[] {"The focuser of my reflector is stuck", "just looking"});
    }

    /** The types measured. */
    static final String[] TYPES = SAID.keySet().stream().map(Enum::name).toArray(String[]::new);

    /** What is read; those without options of their own get none. */
    @Param({
        "PERSON_NAME",
        "COMPANY",
        "EMAIL",
        "PHONE",
        "NUMBER",
        "MONEY",
        "DATE",
        "TIME",
        "DATE_TIME",
        "URL",
        "PLACE",
        "YES_NO",
        "CHOICE",
        "MULTI_CHOICE",
        "TEXT"
    })
    public ValueType type;

    private int turn;

    @Benchmark
    public Reading reading() {
        String text = SAID.get(type)[turn++ & 1];
        return Reader.reply(type, text, AT, ROOMS, Meaning.NONE);
    }

    /** The nearest plain library call, given what it can read. */
    @Benchmark
    public Object plain() throws NumberParseException {
        turn++;
        return switch (type) {
            case EMAIL -> EmailValidator.getInstance().isValid("mabel.thornybrook@example.com");
            case PHONE -> PHONES.isValidNumber(PHONES.parse("0117-496-0555", "GB"));
            case NUMBER, MONEY -> new BigDecimal("350.25");
            case DATE -> LocalDate.parse("2026-04-14");
            case TIME -> LocalTime.parse("17:30");
            case DATE_TIME -> LocalDateTime.parse("2026-04-14T14:30");
            case URL -> URI.create("https://example.org/page#prices");
            default -> "the loft one pls".toLowerCase(java.util.Locale.ROOT).split(" ");
        };
    }

    /** One message for five things; the same whatever the type. */
    public static Map<String, Reading> several() {
        return SeveralReader.read(
                "I'm Dana Whitlow, dana@example.org, 24 of us on 3 May, the library if it's free",
                SLOTS,
                AT,
                Meaning.NONE);
    }
}
