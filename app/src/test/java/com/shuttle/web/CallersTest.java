package com.shuttle.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class CallersTest {

    @Test
    void aHouseholdIsOneCaller() {
        assertThat(Callers.of("192.0.2.7")).isEqualTo("192.0.2.7");
        assertThat(Callers.of("2001:db8:1:2:3:4:5:6"))
                .isEqualTo(Callers.of("2001:db8:1:2::1"))
                .isNotEqualTo(Callers.of("2001:db8:1:3::1"));
        assertThat(Callers.of("fe80::1%eth0")).isEqualTo(Callers.of("fe80::2"));
        assertThat(Callers.of("::ffff:192.0.2.7")).isEqualTo("192.0.2.7");
    }
}
