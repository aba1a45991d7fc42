package org.diligentbough.server.photo;

import java.nio.file.Path;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** Pictures for archives. */
@Component
public class PhotoArchive {
    private final PhotoFiles files;

    PhotoArchive(PhotoFiles files) {
        this.files = files;
    }

    /** A picture as it lies there; empty when it is not there any more. */
    public Optional<byte[]> picture(UUID key) {
        try {
            return Optional.of(files.read(key));
        } catch (ProblemException gone) {
            return Optional.empty();
        }
    }

    /**
     * Keeps a picture whose row is written in the running transaction: it gets its name when that is kept, and goes when not.
     *
     * @throws ProblemException 400 when it is no picture
     */
    public void bring(UUID key, byte[] picture) {
        Jpeg.look(picture);
        Path coming = files.coming(key, Jpeg.bare(picture));
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCompletion(int status) {
                if (status == STATUS_COMMITTED) {
                    files.keep(key, coming);
                } else {
                    files.drop(coming);
                }
            }
        });
    }
}
