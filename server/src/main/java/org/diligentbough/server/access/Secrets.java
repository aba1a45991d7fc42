package org.diligentbough.server.access;

import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import org.diligentbough.server.shared.Once;

/** Secrets of addresses: 256 random bits; only what they hash to is kept. */
public final class Secrets {
    private static final int BYTES = 32;
    private static final SecureRandom RANDOM = new SecureRandom();

    private Secrets() {}

    public static String made() {
        byte[] bits = new byte[BYTES];
        RANDOM.nextBytes(bits);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(bits);
    }

    public static String hash(String secret) {
        return Once.sha256(secret.getBytes(StandardCharsets.UTF_8));
    }
}
