package org.diligentbough.server.access;

import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * How the door is set.
 *
 * @param https whether people come by HTTPS only; without it cookies go over plain HTTP too, which is for one's own machine
 * @param hosts names this server is reached by beside those of the machine itself
 * @param rates whether those who ask much are slowed down: signing in and joining always are
 */
@ConfigurationProperties("bough.door")
record DoorSettings(boolean https, List<String> hosts, boolean rates) {
    private static final Set<String> OF_THE_MACHINE = Set.of("localhost", "127.0.0.1", "[::1]");

    /** Whether a server named so is this one; the port does not matter. */
    boolean isOurs(String host) {
        if (host == null) {
            return false;
        }
        String name = host.replaceFirst(":\\d+$", "").toLowerCase(Locale.ROOT);
        return names().contains(name);
    }

    /** Whether a name is one this machine calls itself by. */
    static boolean isThisMachine(String name) {
        return OF_THE_MACHINE.contains(name);
    }

    private Set<String> names() {
        return Stream.concat(OF_THE_MACHINE.stream(), hosts == null ? Stream.of() : hosts.stream())
                .map(String::strip)
                .collect(Collectors.toSet());
    }

    /** A cookie's name: over HTTPS one that the browser keeps to this host. */
    String cookie(String name) {
        return https ? "__Host-" + name : name;
    }
}
