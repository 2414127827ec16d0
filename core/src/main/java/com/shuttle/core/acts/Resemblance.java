package com.shuttle.core.acts;

import com.shuttle.core.flow.ValueType;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;
import java.util.regex.Pattern;

/** What values look like as they are shown: enough to tell that a figure told now is of a kind that is known already. */
final class Resemblance {

    private static final Pattern DAY = Pattern.compile(
            "(?i).*\\b(?:\\d{1,2} (?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)\\p{L}*|(?:mon|tues|wednes|thurs|fri|satur|sun)day)\\b.*");
    private static final Pattern HOUR = Pattern.compile("(?i).*\\b(?:\\d{1,2}:\\d{2}|\\d{1,2} ?[ap]m)\\b.*");
    private static final Pattern MONEY = Pattern.compile(".*\\p{Sc} ?\\d.*");
    private static final Pattern PHONE = Pattern.compile("\\+?[\\d ()-]{9,}");
    private static final Pattern COUNT = Pattern.compile("\\d{1,6}(?: \\p{L}+)?");

    private Resemblance() {}

    static Set<ValueType> types(Collection<String> values) {
        Set<ValueType> types = EnumSet.noneOf(ValueType.class);
        for (String value : values) {
            add(types, ValueType.EMAIL, value.indexOf('@') > 0);
            add(types, ValueType.DATE, DAY.matcher(value).matches());
            add(types, ValueType.TIME, HOUR.matcher(value).matches());
            add(types, ValueType.MONEY, MONEY.matcher(value).matches());
            add(types, ValueType.PHONE, PHONE.matcher(value).matches());
            add(types, ValueType.NUMBER, COUNT.matcher(value).matches());
        }
        return types;
    }

    private static void add(Set<ValueType> types, ValueType type, boolean is) {
        if (is) {
            types.add(type);
        }
    }
}
