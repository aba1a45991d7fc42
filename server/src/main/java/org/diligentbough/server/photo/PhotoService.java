package org.diligentbough.server.photo;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.photo.PhotoMapper.PhotoRecord;
import org.diligentbough.server.photo.PhotoMapper.PhotoRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps photos: looked at and written before anything else waits for them, then told to the database in one short step. */
@Service
class PhotoService {
    /** What another server may still be writing is left alone. */
    private static final Duration WRITING = Duration.ofMinutes(10);

    private final PhotoMapper mapper;
    private final PhotoFiles files;
    private final OrchardService orchard;
    private final CurrentPerson person;
    private final History history;
    private final TransactionTemplate transaction;
    private final Clock clock;

    PhotoService(
            PhotoMapper mapper,
            PhotoFiles files,
            OrchardService orchard,
            CurrentPerson person,
            History history,
            TransactionTemplate transaction,
            Clock clock) {
        this.mapper = mapper;
        this.files = files;
        this.orchard = orchard;
        this.person = person;
        this.history = history;
        this.transaction = transaction;
        this.clock = clock;
    }

    @EventListener(ApplicationReadyEvent.class)
    void sweep() {
        files.sweep(
                key -> mapper.find(key.toString()).isPresent(), clock.instant().minus(WRITING));
    }

    List<PhotoRow> ofTree(long treeId) {
        return mapper.ofTree(orchard.tree(treeId).id());
    }

    byte[] picture(UUID key) {
        mapper.find(key.toString()).orElseThrow(() -> ProblemException.notFound("There is no such photo."));
        return files.read(key);
    }

    /**
     * Keeps a picture; the same sent again is answered with what was kept.
     *
     * @throws ProblemException 409 when another picture, or one of another tree, is kept under the key
     */
    PhotoRow add(UUID key, long treeId, PhotoData data, byte[] sent) {
        person.id();
        orchard.tree(treeId);
        String hash = Once.sha256(sent);
        Optional<PhotoRow> before = mapper.find(key.toString());
        if (before.isPresent()) {
            return same(before.get(), treeId, hash);
        }
        Jpeg.Size size = Jpeg.look(sent);
        byte[] picture = Jpeg.bare(sent);
        Path coming = files.coming(key, picture);
        boolean kept = false;
        try {
            kept = Boolean.TRUE.equals(
                    transaction.execute(status -> keep(key, treeId, data, size, picture.length, hash)));
        } finally {
            if (!kept) {
                files.drop(coming);
            }
        }
        if (kept) {
            files.keep(key, coming);
        }
        return same(mapper.find(key.toString()).orElseThrow(), treeId, hash);
    }

    private boolean keep(UUID key, long treeId, PhotoData data, Jpeg.Size size, int bytes, String hash) {
        int added = mapper.add(new PhotoRecord(
                key.toString(),
                treeId,
                data.takenOn(),
                data.spot(),
                data.note(),
                bytes,
                size.width(),
                size.height(),
                hash,
                person.id()));
        if (added == 0) {
            return false;
        }
        PhotoRow row = mapper.find(key.toString()).orElseThrow();
        history.added(new About("photo", row.id(), orchard.tree(treeId).siteId(), treeId), row);
        return true;
    }

    private static PhotoRow same(PhotoRow row, long treeId, String hash) {
        boolean other =
                row.treeId() != treeId || row.sha256() != null && !row.sha256().equals(hash);
        if (other) {
            throw ProblemException.otherUnderKey();
        }
        return row;
    }

    /** What is said of a photo. */
    record PhotoData(LocalDate takenOn, String spot, String note) {}
}
