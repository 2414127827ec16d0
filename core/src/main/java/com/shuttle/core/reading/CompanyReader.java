package com.shuttle.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Reads the name of a company, school or other organisation: introduced ("I work for …", "we are …"), quoted, known by
 * a word that organisations carry (Ltd, School, Trust …), or bare as the reply to the question. A later trading name
 * replaces an earlier one ("used to be …, now …").
 */
final class CompanyReader {

    private static final Set<String> CARRIED = Set.of(
            "ltd",
            "limited",
            "llp",
            "llc",
            "plc",
            "inc",
            "incorporated",
            "corp",
            "corporation",
            "co",
            "company",
            "gmbh",
            "ag",
            "kg",
            "ohg",
            "ug",
            "sarl",
            "sas",
            "sa",
            "srl",
            "bv",
            "nv",
            "oy",
            "ab",
            "as",
            "pty",
            "pvt",
            "group",
            "holdings",
            "partners",
            "associates",
            "bros",
            "brothers",
            "sons",
            "daughters",
            "school",
            "academy",
            "infants",
            "juniors",
            "college",
            "university",
            "nursery",
            "primary",
            "council",
            "trust",
            "charity",
            "foundation",
            "society",
            "association",
            "club",
            "church",
            "hospital",
            "surgery",
            "clinic",
            "hotel",
            "inn",
            "cafe",
            "café",
            "bakery",
            "studios",
            "studio",
            "logistics",
            "robotics",
            "consulting",
            "consultants",
            "solutions",
            "services",
            "systems",
            "technologies",
            "software",
            "media",
            "design",
            "designs",
            "industries",
            "engineering",
            "construction",
            "builders",
            "roofing",
            "plumbing",
            "landscaping",
            "farms",
            "farm",
            "vineyards",
            "brewery",
            "distillery",
            "motors",
            "garage",
            "bank",
            "insurance",
            "properties",
            "estates",
            "lettings",
            "publishing",
            "press",
            "books",
            "collective",
            "cooperative",
            "co-op",
            "union",
            "institute",
            "agency",
            "works",
            "mills",
            "foods",
            "tools",
            "catering",
            "events",
            "travel",
            "tours",
            "housing",
            "maschinenbau",
            "filles",
            "fils",
            "verlag",
            "werke",
            "library",
            "museum",
            "theatre",
            "orchestra",
            "ventures",
            "labs",
            "laboratories",
            "pharmacy",
            "dental",
            "guild",
            "enterprises",
            "traders",
            "trading",
            "supplies",
            "repairs",
            "&");
    private static final String LEAD =
            "(?:i work (?:for|at|with)|i'm working (?:for|at|with)|i am working (?:for|at|with)|working (?:for|at)|we(?:'re| are)(?: called| from| at| with)?|i(?:'m| am) (?:from|with|at|calling from|writing from|here for|representing|employed (?:by|at)|the \\p{L}+ (?:at|of|for))|i'?m in (?:the )?[\\p{L} ]+ at|representing|on behalf of|calling from|here from|"
                    + "(?:the |my |our )?(?:company|firm|business|organi[sz]ation|school|shop|employer|place|outfit|name|team)(?:'s name)?(?: is| is called|'s called|'s|:)(?: called)?|it(?:'s| is) called|it(?:'s| is)|its called|called|trading as|we trade as|now we(?:'re| are)(?: called)?|we(?:'re| are) now(?: called)?|rebranded (?:to|as)|now called|now known as|that(?:'d| would) be|i run|i own|we run|i manage|my own (?:company|business|firm)|from|at|for|with|of)";
    private static final Pattern INTRODUCED =
            Pattern.compile("(?<![\\p{L}'])" + LEAD + "[\\s,:]+(.+)$", Pattern.CASE_INSENSITIVE | Pattern.DOTALL);
    private static final Pattern STRONG_LEAD = Pattern.compile(
            "(?<![\\p{L}'])(?:i work (?:for|at|with)|i(?:'m| am) (?:from|with)|i'm working (?:for|at)|i am working (?:for|at)|on behalf of|representing|calling from|(?:the |my |our )?(?:company|firm|business|organi[sz]ation|school|employer|shop)(?: is called|'s called| is|'s|:)(?: called)?|we(?:'re| are)(?: called| from| at)?|trading as|we trade as|now called)[\\s,:]+(?=[\\p{Lu}\\p{N}\"'(]|the \\p{Lu})",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern DEPARTMENT = Pattern.compile(
            "^(?:the |in |in the )*[\\p{L}\\s&]{0,30}\\b(?:department|dept|team|office|branch|division|desk|side)\\s+(?:of|at|for|in)\\s+",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern ROLE = Pattern.compile(
            "^(?:(?:a|an|the)\\s+)?(?:head|director|manager|owner|founder|secretary|chair|treasurer|teacher|volunteer|receptionist|chef|partner|ceo|pa|intern|temp)\\s+(?:of [\\p{Ll}\\s]+ (?:at|for|with)|of|at|for|with)\\s+",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern QUOTED = Pattern.compile("\"([^\"]{2,80})\"");
    private static final Finder NONE = Finder.of(
            "\\b(?:self[ -]?employed|freelanc\\w*|unemployed|retired|between jobs|private (?:individual|person|customer)|individual|no company|none|n/?a|not applicable|no business|don'?t (?:have|work|own|run|represent)|do not (?:have|work)|just me|myself|student|not (?:a|with|for|from|representing) (?:a |any )?(?:company|business|firm)|sole trader|on my own|personal|nothing|nowhere|home|housewife|stay at home|job ?hunting|looking for work)\\b");
    private static final Finder CHANGES = Finder.of(
            "\\b(?:no wait|wait|rebranded|renamed|now (?:we|it|they)?(?:'re| are| is|'s)?\\s?(?:trade|trading|called|known)?(?: as)?|we trade as|trading as|sorry|actually|i mean|correction|but now|since become|changed (?:our|the|its) name to|became|these days|nowadays|make that|not)\\b");
    private static final Pattern TAIL = Pattern.compile(
            "[\\s,]+(?:please|pls|thanks|thank you|mate|cheers|here|btw|by the way|actually|now|these days|if that helps|if it matters|ji|sir|lol|instead)$",
            Pattern.CASE_INSENSITIVE);
    private static final Pattern PARTS = Pattern.compile(
            "[,;\\n!?()]+|\\s[-–—]+\\s|[–—]|…|\\.{2,}|(?<!\\b(?:St|Mt|Dr|Bros))\\.\\s+(?=\\p{Lu}|\\p{Ll}{2})|\\.$|\\s(?:but|and (?:i|my|we|our|there|it))\\s");
    private static final Set<String> PLAIN = Set.of(
            "a", "an", "some", "any", "my", "your", "it", "this", "that", "there", "i", "you", "he", "she", "they",
            "here", "not", "no", "yes", "what", "why", "how", "who", "when", "hello", "hi", "ok", "sure", "is", "are",
            "was", "do", "does", "can");

    private CompanyReader() {}

    /** Whether a run of words carries a word that organisations carry. */
    static boolean looksLikeOne(String words) {
        String[] all = Regex.split(words.toLowerCase(Locale.ROOT).replace(".", ""), "[\\s,]+");
        for (int i = 0; i < all.length; i++) {
            if (CARRIED.contains(all[i]) && (i > 0 || all.length > 1 && all[i].equals("university"))) {
                return true;
            }
        }
        return false;
    }

    /** An organisation's name in the reply to a question for one. */
    static Reading bare(String text) {
        Matcher quoted = QUOTED.matcher(text);
        if (quoted.find()) {
            return new Reading.Given(new Value.Text(quoted.group(1).strip()), quoted.start(1), quoted.end(1));
        }
        if (NONE.in(text) && !looksLikeOne(text)) {
            return Reading.NOTHING;
        }
        if (Words.looksLikeQuestion(text) && text.strip().endsWith("?")) {
            return Reading.NOTHING;
        }
        String found = null;
        boolean changed = false;
        for (String part : PARTS.split(Regex.replaceAll(text, "[^\\p{L}\\p{M}\\p{N}\\s'.,;\\n!?()&+/–—…@-]+", " "))) {
            boolean changes = CHANGES.in(part);
            String name = name(part);
            boolean former = Regex.matches(
                    part, "(?is).*\\b(?:used to be|formerly|previously|was called|were called|once)\\b.*");
            if (name != null && !former && (found == null || changed || changes)) {
                found = name;
                changed = false;
            }
            changed |= changes && name == null;
        }
        if (found == null) {
            return Reading.NOTHING;
        }
        int start = Math.max(0, text.indexOf(found));
        return new Reading.Given(new Value.Text(found), start, Math.min(text.length(), start + found.length()));
    }

    /** The organisation that a part of a message names, or null. */
    private static @Nullable String name(String part) {
        String bare = part.strip();
        bare = bare.replaceFirst(
                "(?i)^(?:(?:hi|hello|hey|yes|yeah|ok|okay|sure|well|so|oh|um|uh|it'?d be|that'?s|that is|sorry|actually|no wait|wait|no|i mean|correction|not yet|now|but|and|because)[\\s,:]+)+",
                "");
        Matcher lead = INTRODUCED.matcher(bare);
        if (lead.find() && (lead.start() < 30)) {
            String rest = lead.group(1).strip();
            boolean weak = Regex.matches(lead.group(), "(?is)(?:from|at|for|with|of|it's|it is|called)[\\s,:].*")
                    && lead.start() > 0
                    && !Character.isUpperCase(first(rest));
            boolean inside = lead.start() > 0 && looksLikeOne(bare.substring(0, lead.start()));
            boolean ofInName = Regex.matches(lead.group(), "(?is)(?:of|for|with|at)[\\s].*")
                    && lead.start() > 0
                    && Character.isUpperCase(first(bare))
                    && !ROLE.matcher(bare).find()
                    && !DEPARTMENT.matcher(bare).find();
            if (!weak && !inside && !ofInName) {
                bare = rest;
            }
        }
        bare = ROLE.matcher(bare).replaceFirst("");
        bare = DEPARTMENT.matcher(bare).replaceFirst("");
        String before;
        do {
            before = bare;
            bare = TAIL.matcher(bare).replaceFirst("").strip();
        } while (!bare.equals(before));
        bare = Regex.replaceFirst(
                bare,
                "(?i)^(?:for(?= the )|called|named|the name is|an? (?:\\p{L}+ ){1,3}(?:called|named)|a (?:small |little |big )?(?:company|firm|business|shop|school|charity)(?: called| named)?)\\s+",
                "");
        bare = Regex.replaceAll(bare, "^['.\\s]+|['\\s]+$", "");
        if (YEARS.matcher(bare).lookingAt()) {
            return null;
        }
        if (bare.isEmpty() || bare.indexOf('@') >= 0 || !Regex.matches(bare, ".*\\p{L}.*") || bare.length() > 80) {
            return null;
        }
        List<String> words = Words.of(bare);
        boolean dated = words.stream()
                .allMatch(word -> Character.isDigit(word.charAt(0))
                        || CalendarWords.month(word) != null
                        || CalendarWords.weekday(word) != null);
        if (dated) {
            return null;
        }
        boolean capital = Regex.matches(bare, "(?s).*(?:^|\\s)[\\p{Lu}\\p{N}].*");
        int most = capital || looksLikeOne(bare) ? 8 : 4;
        if (words.isEmpty() || words.size() > most) {
            return null;
        }
        if (PLAIN.contains(words.getFirst()) && !looksLikeOne(bare)) {
            return null;
        }
        long everyday = words.stream().filter(CompanyReader::everyday).count();
        return !capital && everyday * 2 >= words.size() && !looksLikeOne(bare) ? null : bare;
    }

    private static final Set<String> EVERYDAY = WordLists.load("not-names.txt");

    private static boolean everyday(String word) {
        return EVERYDAY.contains(word) && !word.equals("the") && !word.equals("and") && !word.equals("of");
    }

    private static char first(String text) {
        String bare = Regex.replaceFirst(text, "(?i)^the ", "");
        return bare.isEmpty() ? ' ' : bare.charAt(0);
    }

    /** An organisation named in a message about anything: introduced and capitalised, or carrying an organisation's word. */
    static List<Mention> find(String text) {
        List<Mention> found = new ArrayList<>();
        Matcher lead = STRONG_LEAD.matcher(text);
        while (lead.find()) {
            String rest = upToBreak(text.substring(lead.end()));
            boolean figure = Character.isDigit(first(rest)) && rest.chars().anyMatch(Character::isUpperCase);
            if (!rest.isEmpty() && rest.indexOf('§') < 0 && (Character.isUpperCase(first(rest)) || figure)) {
                found.add(Mention.of(new Value.Text(rest), lead.end(), lead.end() + rest.length()));
            }
        }
        Matcher saints = SAINTS.matcher(text);
        while (saints.find()) {
            found.add(Mention.of(new Value.Text(saints.group()), saints.start(), saints.end()));
        }
        Matcher runs = CAPITALS.matcher(text);
        while (runs.find()) {
            String run = trimmed(runs.group());
            Matcher from = FROM.matcher(run);
            int start = runs.start();
            if (from.matches()) {
                start += from.start(2);
                run = from.group(2);
            }
            int begin = start;
            int end = start + run.length();
            boolean known = found.stream().anyMatch(m -> m.start() < end && begin < m.end());
            if (!known && looksLikeOne(run)) {
                found.add(Mention.of(new Value.Text(run), start, end));
            }
        }
        return found;
    }

    /** "St Orrin's": a school or a church. */
    private static final Pattern SAINTS =
            Pattern.compile("\\b(?:St|Saint)\\.? \\p{Lu}\\p{L}+['’]s?(?: \\p{Lu}\\p{L}+){0,3}(?![\\p{L}'’])");

    private static final String CAPITAL = "(?:(?:St|Bros|Mt|Dr|\\p{Lu})\\.|\\p{Lu}[\\p{L}\\p{N}'’&-]*)";
    private static final Pattern CAPITALS =
            Pattern.compile("(?<![\\p{L}\\p{N}@.])(?:\\p{N}+(?:st|nd|rd|th)\\s+)?" + CAPITAL
                    + "(?:\\s+(?:(?:&|and|of|the|et|und|for|at|from|on|in|de|la|le)\\s+(?=(?:the\\s+)?[\\p{Lu}\\p{N}]))?(?:the\\s+(?=\\p{Lu}))?(?:\\p{N}+|"
                    + CAPITAL + "))*");

    /** "Years 3 and 4" is no school. */
    private static final Pattern YEARS =
            Pattern.compile("(?:years?|yrs?|class(?:es)?|key stage|ks)\\s*\\d", Pattern.CASE_INSENSITIVE);

    private static final Pattern FROM = Pattern.compile("^(.+?)\\s+(?:from|at|of the)\\s+(.+)$");

    private static final Pattern BREAK = Pattern.compile(
            "[,;:\\n!?()\"]|\\s[-–—]+\\s|[–—]|(?<!\\b(?:St|Mt|Dr|Bros))\\.(?=\\s|$)|\\s(?:but|and (?=[a-z])|about|with|for|we|i|in|on|looking|here|who|which|where|wanting|needing|trying|at)(?![\\p{L}'])");

    private static String upToBreak(String text) {
        Matcher breaks = BREAK.matcher(text);
        String part = breaks.find() ? text.substring(0, breaks.start()) : text;
        return part.strip().length() > 80 ? "" : trimmed(part);
    }

    private static String trimmed(String name) {
        return Regex.replaceAll(name.strip(), "(?<!\\b(?:Inc|Ltd|Co|Corp|Bros|Dr|St))[.'\\s]+$", "");
    }
}
