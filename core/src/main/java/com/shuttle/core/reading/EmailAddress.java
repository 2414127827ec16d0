package com.shuttle.core.reading;

import java.util.List;
import org.apache.commons.validator.routines.DomainValidator;
import org.apache.commons.validator.routines.DomainValidator.ArrayType;
import org.apache.commons.validator.routines.DomainValidator.Item;
import org.apache.commons.validator.routines.EmailValidator;

/** What counts as an email address: as RFC 5321 has it, at a known top-level domain or one reserved for examples. */
public final class EmailAddress {

    private static final DomainValidator DOMAINS = DomainValidator.getInstance(
            false, List.of(new Item(ArrayType.GENERIC_PLUS, new String[] {"example", "test"})));
    private static final EmailValidator VALIDATOR = new EmailValidator(false, false, DOMAINS);

    /** RFC 5321, 4.5.3.1, in characters; much longer ones break the library. */
    private static final int LONGEST = 254;

    private EmailAddress() {}

    public static boolean isValid(String address) {
        return address.length() <= LONGEST && VALIDATOR.isValid(address);
    }

    /** Whether {@code host} is a domain name under a known top-level domain. */
    static boolean isDomain(String host) {
        return host.length() <= LONGEST && DOMAINS.isValid(host);
    }
}
