package com.shuttle.core.reading;

import com.google.i18n.phonenumbers.PhoneNumberMatch;
import com.google.i18n.phonenumbers.PhoneNumberUtil;
import com.google.i18n.phonenumbers.PhoneNumberUtil.Leniency;
import com.google.i18n.phonenumbers.PhoneNumberUtil.PhoneNumberFormat;
import java.util.LinkedHashMap;
import java.util.Map;

/** Reads one phone number in national form of a region or in international form; the value is E.164, no extension. */
final class PhoneReader {

    private static final PhoneNumberUtil PHONES = PhoneNumberUtil.getInstance();

    private PhoneReader() {}

    static Reading read(String text, String region) {
        Map<String, PhoneNumberMatch> found = new LinkedHashMap<>();
        for (PhoneNumberMatch match : PHONES.findNumbers(text, region, Leniency.VALID, 20)) {
            found.putIfAbsent(PHONES.format(match.number(), PhoneNumberFormat.E164), match);
        }
        if (found.isEmpty()) {
            return Reading.NOTHING;
        }
        if (found.size() > 1) {
            return new Reading.Unclear(found.keySet().stream()
                    .map(number -> (Value) new Value.Text(number))
                    .toList());
        }
        Map.Entry<String, PhoneNumberMatch> only = found.entrySet().iterator().next();
        return new Reading.Given(
                new Value.Text(only.getKey()),
                only.getValue().start(),
                only.getValue().end());
    }
}
