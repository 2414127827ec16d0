package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Reads a person's name: introduced ("my name is …", "… speaking") anywhere, or bare as the reply to the question. A
 * bare name is a part of the reply, between commas, full stops or dashes, that has one to five words, none of them an
 * everyday word; the first such part, or after a correction the last. Forms of address are left out; a name in one case
 * is set in title case. Never read out of an email address.
 */
final class NameReader {

    private static final Set<String> NOT_NAMES = WordLists.load("not-names.txt");
    /** Names that are everyday words too, taken where nothing else is said. */
    private static final Set<String> WORDS_AND_NAMES = Set.of(
            "will", "mark", "may", "grace", "hope", "faith", "joy", "rose", "bill", "art", "frank", "guy", "drew",
            "pat", "rich", "sue", "june", "april", "dawn", "ray", "jack", "bob", "rob", "gene", "don", "miles", "penny",
            "summer");

    private static final Set<String> TITLES = Set.of(
            "mr",
            "mrs",
            "ms",
            "miss",
            "mx",
            "dr",
            "prof",
            "professor",
            "sir",
            "dame",
            "rev",
            "reverend",
            "doctor",
            "madam",
            "herr",
            "frau",
            "monsieur",
            "madame",
            "shri",
            "smt",
            "mister");
    private static final Set<String> PARTICLES = Set.of(
            "van", "von", "de", "der", "den", "del", "della", "di", "da", "dos", "la", "le", "du", "bin", "al", "ter",
            "ten", "zu", "y", "of");

    private static final String WORD = "\\p{L}[\\p{L}\\p{M}'.-]*";
    private static final String NAME = "(" + WORD + "(?:\\s+" + WORD + "){0,5})";
    private static final Pattern INTRODUCED = Pattern.compile(
            "(?<![\\p{L}'])(?:(?:my|the|full|our|contact|lead|in the|under the|under|first|her|his|their)\\s+)*(?:name(?:'s| is| would be| will be|:| =| -| of| here is|)|i am called|i'?m called|they call me|people call me|everyone calls me|you can call me|just call me|call me|i go by|put (?:me|it|us|this|that)(?: down)? (?:as|under|for)|you can put|(?:book|reserve) (?:it|me|us|this|that) (?:under|in|as|for)|it goes under|in the name of|(?:that|it)(?: would|'d| will|'ll) be|signed|yours truly|yours|(?:kind |best |warm )?regards|it is me|it'?s me|me is|hosted by|host is|host:|booked by|organised by|organized by|contact is|contact person is|contact:|contact person:|contact|attn|attention|for the attention of|on behalf of|this is|here is|i am|i'm|im|it's|it is|its|we are|myself|ask for|speak to|recipient is|recipient:|patient is|patient:|guest is|guest:|teacher is|teacher:|passenger is|passenger:|attendee is|attendee:|applicant:|claimant:|customer:|donor:|organiser:|organiser is|deliver to|parcel for|addressed to|name on (?:it|the \\p{L}+) is|hostess is)[\\s,:]+(?:the )?"
                    + NAME,
            Pattern.CASE_INSENSITIVE);
    private static final Pattern FIRM = Pattern.compile(
            "\\bname\\b|called|call me|calls me|go by|put |signed|regards|yours|hosted|booked|organi[sz]ed|contact|attn|attention|me\\b|recipient|patient|guest|teacher|passenger|attendee|applicant|claimant|customer|donor|addressed|parcel for",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern SPEAKING =
            Pattern.compile(NAME + "\\s+(?:here|speaking)(?![\\p{L}'])", Pattern.CASE_INSENSITIVE);
    private static final Pattern FIRST_LAST = Pattern.compile(
            "\\b(?:first|given|fore)\\s?-?name(?:'s| is|:)?\\s+(\\p{L}[\\p{L}'-]*)\\W+(?:and )?(?:my )?(?:last|family|sur)\\s?-?name(?:'s| is|:)?\\s+(\\p{L}[\\p{L}' -]*)",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern LAST_FIRST = Pattern.compile(
            "\\b(?:last|family|sur)\\s?-?name(?:'s| is|:)?\\s+(\\p{L}[\\p{L}'-]*)\\W+(?:and )?(?:my )?(?:first|given|fore)\\s?-?name(?:'s| is|:)?\\s+(\\p{L}[\\p{L}'-]*)",
            Pattern.CASE_INSENSITIVE);
    /** What ends so is where somebody is from. */
    private static final Set<String> ORGANISATION = Set.of(
            "primary",
            "school",
            "academy",
            "college",
            "university",
            "ltd",
            "limited",
            "inc",
            "gmbh",
            "plc",
            "llc",
            "society",
            "club",
            "nursery",
            "infants",
            "juniors");

    /** "St Orrin's" is a school or a church. */
    private static final Pattern OF_A_SAINT = Pattern.compile("(?i)(?:st|saint)\\.? .*'s?");

    /** "We'd arrive" is nobody. */
    private static final Finder SHORTENED = Finder.ofExactly("(?i)\\p{L}(?:['’](?:d|ll|ve|re)|n['’]t)(?![\\p{L}'])");

    /** "No lunch" is nobody. */
    private static final Pattern RULED_OUT = Pattern.compile("(?:[Nn]o|[Ww]ithout|[Aa]ny|[Ss]ome) \\p{Ll}");

    /** "I'm running late" says what somebody does, not who they are. */
    private static final Pattern DOING = Pattern.compile("\\p{Ll}{2,}ing\\b");

    /** Nothing but two or three words in capitals, the first of which can be a name: the others may be any words. */
    private static final Pattern WRITTEN_OUT = Pattern.compile("\\p{Lu}[\\p{Ll}'’-]++(?: \\p{Lu}[\\p{Ll}'’-]++){1,2}");

    private static final Pattern GREETING = Pattern.compile(
            "^(?:(?:hi|hello|hey|hallo|hiya|howdy|heya|namaste|bonjour|g'day|good (?:morning|afternoon|evening|day)|dear \\p{L}+|sure thing|sure|ok|okay|yes|yep|yeah|of course|certainly|thanks|thank you|well|so|oh|um+|erm?|uh|ah|there|all|everyone|mate|alright|right|no problem|gladly|and|sorry|actually|i mean|no wait|wait|no|oops|correction|nope|it should be|should be|make that|for)(?:[\\s,.!:-]+|$))+",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern TAIL = Pattern.compile(
            "[\\s,]+(?:here|this side|speaking|please|pls|thanks|thank you|thx|cheers|mate|by the way|btw|again|is my name|is the name|i think|i guess|i suppose|if you must know|at your service|sir|ji)$",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern PARTS = Pattern.compile(
            "[,;:\\n!?()\"/|]+|\\s[-–—]+\\s|[–—]|\\.{2,}|…|\\.(?=\\s|$)(?<!\\b\\p{L}\\.)|\\s(?:but|and my|and i)\\s");
    private static final Pattern NOISE = Pattern.compile("[^\\p{L}\\p{M}\\p{N}\\s'.@,;:\\n!?()\"/|–—…-]+");
    private static final Pattern ABBREVIATED_TITLE =
            Pattern.compile("\\b(?:dr|mr|mrs|ms|mx|prof|rev|st)\\.\\s", Pattern.CASE_INSENSITIVE);
    private static final Pattern CORRECTS = Pattern.compile(
            "\\b(?:no wait|wait|i mean|i meant|sorry|oops|typo|correction|not|actually|rather|should be|hang on)\\b",
            Pattern.CASE_INSENSITIVE);

    private NameReader() {}

    /** A name that the message introduces as one; safe in a message about anything. */
    static Reading introduced(String text) {
        Matcher both = FIRST_LAST.matcher(text);
        if (both.find()) {
            return given(both.group(1) + " " + trimmed(both.group(2)), both.start(1), both.end(2));
        }
        Matcher turned = LAST_FIRST.matcher(text);
        if (turned.find()) {
            return given(turned.group(2) + " " + turned.group(1), turned.start(1), turned.end(2));
        }
        Reading.Given found = null;
        Matcher matcher = INTRODUCED.matcher(text);
        int from = 0;
        while (from < text.length() && matcher.find(from)) {
            String name = upToBreak(matcher.group(1), firm(matcher, text));
            boolean firm = firm(matcher, text);
            boolean capital = !name.isEmpty() && Character.isUpperCase(name.charAt(0));
            boolean inAddress = text.startsWith("@", matcher.start(1) + name.length());
            if (!name.isEmpty()
                    && !inAddress
                    && (firm || capital && !CompanyReader.looksLikeOne(name))
                    && !negated(text, matcher.start())) {
                boolean corrects = found != null
                        && CORRECTS.matcher(text.substring(Math.min(found.end(), matcher.start()), matcher.start()))
                                .find();
                if (found == null || corrects) {
                    found = given(name, matcher.start(1), matcher.start(1) + name.length());
                }
            }
            from = Math.max(matcher.start(1), from + 1);
        }
        if (found != null) {
            return found;
        }
        String low = text.toLowerCase(Locale.ROOT);
        Matcher speaking = SPEAKING.matcher(low.contains("here") || low.contains("speaking") ? text : "");
        while (speaking.find()) {
            String name = lastName(speaking.group(1));
            if (!name.isEmpty()) {
                int start = speaking.start(1) + speaking.group(1).lastIndexOf(name);
                return given(name, start, start + name.length());
            }
        }
        return Reading.NOTHING;
    }

    private static boolean firm(Matcher matcher, String text) {
        return FIRM.matcher(text.substring(matcher.start(), matcher.start(1))).find();
    }

    private static boolean negated(String text, int start) {
        return Regex.matches(text.substring(Math.max(0, start - 12), start), "(?is).*\\b(?:not|isn't|isnt|never)\\s*");
    }

    /** The name in the reply to a question for one. */
    static Reading bare(String text) {
        List<String> parts = new ArrayList<>();
        String clean =
                ABBREVIATED_TITLE.matcher(NOISE.matcher(text).replaceAll(" ")).replaceAll(" ");
        boolean asks = text.strip().endsWith("?");
        if (asks && text.chars().noneMatch(Character::isUpperCase)) {
            return Reading.NOTHING;
        }
        String swapped = surnameFirst(clean);
        if (swapped != null) {
            return given(swapped, 0, text.length());
        }
        String found = null;
        boolean corrected = false;
        int at = 0;
        Matcher breaks = PARTS.matcher(clean);
        boolean more = true;
        while (more) {
            more = breaks.find();
            String part = clean.substring(at, more ? breaks.start() : clean.length());
            String name = name(part);
            if (name != null && !(asks && parts.isEmpty() && !more)) {
                boolean negated = part.strip().toLowerCase(Locale.ROOT).startsWith("not ");
                boolean whole = found != null && name.endsWith(" " + found);
                if (!negated && (found == null || corrected || whole)) {
                    found = name;
                    corrected = false;
                }
            }
            corrected |= found != null && CORRECTS.matcher(part).find() && name == null;
            corrected |= CORRECTS.matcher(part).find() && found != null && name != null && !name.equals(found);
            if (corrected && name != null && !name.equals(found)) {
                found = name;
                corrected = false;
            }
            parts.add(part);
            at = more ? breaks.end() : at;
        }
        if (found == null) {
            return asks ? Reading.NOTHING : onlyName(text);
        }
        int start = Math.max(0, text.indexOf(found));
        return given(found, start, Math.min(text.length(), start + found.length()));
    }

    /** Two words or three that begin with capitals, where a message has no others that do: "they have me down as Ida Marlow". */
    private static final Pattern CAPITALS = Pattern.compile("\\p{Lu}[\\p{L}'’-]++(?: \\p{Lu}[\\p{L}'’-]++){1,2}+");

    private static Reading onlyName(String text) {
        Matcher capitals = CAPITALS.matcher(text);
        if (!capitals.find()) {
            return Reading.NOTHING;
        }
        int start = capitals.start();
        int end = capitals.end();
        String name = name(capitals.group());
        boolean others = capitals.find() || text.indexOf('@') >= 0;
        boolean denied = Regex.matches(text.substring(0, start), "(?is).*\\b(?:not|isn't|from|at|of)\\s+");
        // "Marlow Sixth Form College" goes on.
        boolean longer =
                end + 1 < text.length() && text.charAt(end) == ' ' && Character.isUpperCase(text.charAt(end + 1));
        return name == null || longer || others || denied || CompanyReader.looksLikeOne(name)
                ? Reading.NOTHING
                : given(name, start, end);
    }

    /** "Bogbean, Cornelius": one word, a comma, one word, and nothing else. */
    private static @Nullable String surnameFirst(String text) {
        Matcher matcher = Pattern.compile(
                        "^\\s*((?:(?:de|la|le|van|von|der|den|di|da|del|du|bin|al) ){0,3}\\p{Lu}[\\p{L}'-]+),\\s*(\\p{Lu}[\\p{L}'-]+)\\s*$")
                .matcher(text);
        boolean names = matcher.matches() && name(matcher.group(1)) != null && name(matcher.group(2)) != null;
        return names ? matcher.group(2) + " " + matcher.group(1) : null;
    }

    /** The name that a part of a message consists of, or null. */
    static @Nullable String name(String part) {
        String bare = Regex.replaceAll(part.strip(), "\\s+", " ");
        if (bare.toLowerCase(Locale.ROOT).startsWith("not ") || bare.indexOf('@') >= 0) {
            return null;
        }
        Reading introduced = bare.length() < 60 ? introducedIn(bare) : Reading.NOTHING;
        if (introduced instanceof Reading.Given(Value.Text(String name), int start, int end)) {
            return name;
        }
        if (RULED_OUT.matcher(bare).lookingAt()) {
            return null;
        }
        bare = GREETING.matcher(bare).replaceFirst("");
        bare = TAIL.matcher(bare).replaceFirst("");
        bare = Regex.replaceAll(bare, "^['.-]+|['-]+$", "");
        bare = Regex.replaceAll(bare, "(?<=\\p{L}{3})\\.$", "").strip();
        boolean titled = !withoutTitle(bare).equals(bare);
        bare = withoutTitle(bare);
        if (bare.isEmpty()
                || !Regex.matches(bare, NAME)
                || OF_A_SAINT.matcher(bare).matches()
                || SHORTENED.in(bare)) {
            return null;
        }
        String[] words = bare.toLowerCase(Locale.ROOT).split(" ");
        if (ORGANISATION.contains(words[words.length - 1]) && words.length > 1) {
            return null;
        }
        boolean begins = !NOT_NAMES.contains(words[0]) || WORDS_AND_NAMES.contains(words[0]);
        if (begins && words.length >= 2 && WRITTEN_OUT.matcher(part.strip()).matches()) {
            return bare;
        }
        if (titled && begins && words.length == 2) {
            return bare;
        }
        boolean lone = words.length == 1;
        for (int i = 0; i < words.length; i++) {
            boolean particle = i > 0 && i < words.length - 1 && PARTICLES.contains(words[i]);
            boolean alsoName = WORDS_AND_NAMES.contains(words[i]) && (lone || i == 0);
            if (NOT_NAMES.contains(words[i]) && !particle && !alsoName) {
                return null;
            }
        }
        boolean vowelless = lone
                && words[0].length() > 4
                && !Regex.matches(words[0], ".*[aeiouyàáâãäåæèéêëìíîïòóôõöøùúûüý].*")
                && words[0].chars().allMatch(c -> c < 384);
        return words.length > 5 || vowelless ? null : bare;
    }

    private static Reading introducedIn(String part) {
        Matcher matcher = INTRODUCED.matcher(part);
        if (matcher.find() && !negated(part, matcher.start())) {
            String name = upToBreak(matcher.group(1), true);
            boolean doing =
                    !firm(matcher, part) && DOING.matcher(matcher.group(1)).lookingAt();
            if (!name.isEmpty() && !doing) {
                return given(name, matcher.start(1), matcher.start(1) + name.length());
            }
        }
        return Reading.NOTHING;
    }

    /** Whether a word is a form of address. */
    static boolean isTitle(String word) {
        return TITLES.contains(word.toLowerCase(Locale.ROOT).replace(".", ""));
    }

    private static String withoutTitle(String name) {
        String[] words = name.split(" ", 2);
        return words.length == 2 && isTitle(words[0]) ? withoutTitle(words[1].strip()) : name;
    }

    /** The words of a name up to the first everyday word, without a form of address. */
    static String upToBreak(String words, boolean firm) {
        StringBuilder name = new StringBuilder();
        boolean first = true;
        boolean capitals = Character.isUpperCase(
                withoutTitle(words).isEmpty() ? 'a' : withoutTitle(words).charAt(0));
        String[] all = withoutTitle(words).split("\\s+");
        for (int i = 0; i < all.length; i++) {
            String word = all[i];
            String lower = Regex.replaceAll(word.toLowerCase(Locale.ROOT), "\\.$", "");
            boolean particle = !first
                    && i + 1 < all.length
                    && PARTICLES.contains(lower)
                    && capitals
                    && Character.isUpperCase(all[i + 1].charAt(0));
            boolean alsoName =
                    first && WORDS_AND_NAMES.contains(lower) && (firm || Character.isUpperCase(word.charAt(0)));
            if (NOT_NAMES.contains(lower) && !particle && !alsoName) {
                break;
            }
            if (!first && capitals && !particle && !Character.isUpperCase(word.charAt(0))) {
                break;
            }
            name.append(first ? "" : " ").append(word);
            first = false;
            if (word.endsWith(".") && word.length() > 3) {
                break;
            }
        }
        return trimmed(name.toString());
    }

    /** The last words of a run that make a name: "well Percy Snodgrove" before "here". */
    private static String lastName(String words) {
        List<String> name = new ArrayList<>();
        String[] all = Regex.split(words, "\\s+");
        for (int i = all.length - 1; i >= 0; i--) {
            if (NOT_NAMES.contains(all[i].toLowerCase(Locale.ROOT)) || !Character.isUpperCase(all[i].charAt(0))) {
                break;
            }
            name.addFirst(all[i]);
        }
        return String.join(" ", name);
    }

    private static String trimmed(String name) {
        return Regex.replaceAll(name.strip(), "[.'-]+$", "");
    }

    static Reading.Given given(String name, int start, int end) {
        String bare = withoutTitle(name.strip());
        boolean oneCase = bare.equals(bare.toLowerCase(Locale.ROOT))
                || (bare.equals(bare.toUpperCase(Locale.ROOT)) && bare.length() > 2);
        return new Reading.Given(new Value.Text(oneCase ? titleCase(bare) : bare), start, Math.max(start, end));
    }

    private static String titleCase(String name) {
        return Arrays.stream(Regex.split(name.toLowerCase(Locale.ROOT), "\\s+"))
                .map(NameReader::capital)
                .collect(Collectors.joining(" "));
    }

    private static String capital(String word) {
        StringBuilder cased = new StringBuilder();
        boolean up = true;
        for (char c : word.toCharArray()) {
            cased.append(up ? Character.toUpperCase(c) : c);
            up = c == '-' || c == '\'' || c == '.';
        }
        return cased.toString();
    }
}
