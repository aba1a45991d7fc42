package org.diligentbough.server.access;

import java.nio.charset.StandardCharsets;
import java.util.concurrent.Semaphore;
import java.util.function.Supplier;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;

/** Makes and checks passwords; both take a quarter of a second of a processor, so that two at once are enough. */
@Component
class Passwords {
    /** Longer than a bcrypt hash can tell apart is refused rather than cut. */
    private static final int MOST_BYTES = 72;

    private static final int LEAST_BYTES = 12;
    private static final int AT_A_TIME = 2;

    private final PasswordEncoder encoder;
    private final Semaphore turns = new Semaphore(AT_A_TIME, true);
    /** Made when it is wanted first: a start does not wait for it. */
    private volatile String nobodys;

    Passwords(PasswordEncoder encoder) {
        this.encoder = encoder;
    }

    /**
     * What is kept of a password.
     *
     * @throws ProblemException 422 when it is shorter than 12 bytes of UTF-8 or longer than 72
     */
    String kept(String password, String pointer) {
        int bytes = password == null ? 0 : password.getBytes(StandardCharsets.UTF_8).length;
        if (bytes < LEAST_BYTES || bytes > MOST_BYTES) {
            throw ProblemException.wrongField(
                    pointer, "has to have 12 to 72 letters; three or four words that do not belong together are good");
        }
        return atATime(() -> encoder.encode(password));
    }

    /** Whether it is the one that is kept; as slow where there is none to compare with. */
    boolean fits(String password, String kept) {
        return atATime(() -> encoder.matches(password, kept == null ? nobodys() : kept)) && kept != null;
    }

    private String nobodys() {
        if (nobodys == null) {
            nobodys = encoder.encode("nobody has this password");
        }
        return nobodys;
    }

    private <T> T atATime(Supplier<T> work) {
        if (!turns.tryAcquire()) {
            throw ProblemException.busy("Others sign in just now. Try again in a moment.");
        }
        try {
            return work.get();
        } finally {
            turns.release();
        }
    }
}
