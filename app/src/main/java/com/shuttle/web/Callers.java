package com.shuttle.web;

import jakarta.servlet.http.HttpServletRequest;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.HexFormat;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Who calls, for counting: one address of IPv4, or the /64 of IPv6 that a household has. */
public final class Callers {

    private static final int HOUSEHOLD = 8;

    private Callers() {}

    public static String of(HttpServletRequest request) {
        return of(request.getRemoteAddr());
    }

    /** Who makes the request that this thread answers; empty where it answers none. */
    public static String present() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes
                ? of(attributes.getRequest())
                : "";
    }

    /** @param address as the server has it, never a name */
    static String of(String address) {
        if (address.indexOf(':') < 0) {
            return address;
        }
        try {
            InetAddress parsed = InetAddress.getByName(address.replaceAll("%.*", ""));
            return parsed instanceof Inet6Address
                    ? HexFormat.of().formatHex(Arrays.copyOf(parsed.getAddress(), HOUSEHOLD)) + "/64"
                    : parsed.getHostAddress();
        } catch (UnknownHostException e) {
            return address;
        }
    }
}
