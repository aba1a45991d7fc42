package org.diligentbough.server.archive;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.Deflater;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.photo.PhotoArchive;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * An archive with its pictures beside it in one zip: {@value #ARCHIVE}, and each picture as {@code photos/KEY.jpg}. The same
 * orchard gives the same bytes whenever it is asked for.
 */
@Component
class ArchiveZip {
    static final String ARCHIVE = "archive.json";
    private static final String PHOTOS = "photos/";
    private static final String JPEG = ".jpg";
    /** What a zip can hold; no day of packing stands in it. */
    private static final LocalDateTime WHENEVER = LocalDateTime.of(1980, 1, 1, 0, 0);

    private static final int MIB = 1024 * 1024;
    private static final long MOST_BYTES = 2048L * MIB;
    private static final int MOST_BYTES_OF_ARCHIVE = 64 * MIB;
    private static final int MOST_BYTES_OF_PICTURE = 4 * MIB;

    private final ArchiveService service;
    private final PhotoArchive photos;
    private final JsonMapper json;

    ArchiveZip(ArchiveService service, PhotoArchive photos, JsonMapper json) {
        this.service = service;
        this.photos = photos;
        this.json = json;
    }

    /**
     * Packs an archive; pictures that are not in their folder any more are left out.
     *
     * @param keys the keys pictures have here, by those they have in the archive
     */
    void write(Archive archive, Map<String, String> keys, OutputStream out) throws IOException {
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.setLevel(Deflater.BEST_SPEED);
            put(zip, ARCHIVE, json.writeValueAsBytes(archive));
            if (archive.records() == null) {
                return;
            }
            for (ObjectNode photo : archive.records().getOrDefault(ArchiveRecords.PHOTOS, List.of())) {
                String key = photo.get(ArchiveRecords.KEY).stringValue();
                Optional<byte[]> picture = photos.picture(UUID.fromString(keys.get(key)));
                if (picture.isPresent()) {
                    put(zip, PHOTOS + key + JPEG, picture.get());
                }
            }
        }
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        ZipEntry entry = new ZipEntry(name);
        entry.setTimeLocal(WHENEVER);
        zip.putNextEntry(entry);
        zip.write(bytes);
        zip.closeEntry();
    }

    /**
     * Adds a site from such a zip, whole or not at all.
     *
     * @throws ProblemException 400 when it is no such zip, 413 when it is too large
     */
    SiteRow add(InputStream sent) throws IOException {
        Path file = Files.createTempFile("bough-archive-", ".zip");
        try {
            spool(sent, file);
            try (ZipFile zip = new ZipFile(file.toFile())) {
                byte[] archive = read(zip, ARCHIVE, MOST_BYTES_OF_ARCHIVE)
                        .orElseThrow(() -> ProblemException.unreadable(
                                "There is no " + ARCHIVE + " in this zip. Send one that was downloaded here."));
                return service.add(archive, key -> read(zip, PHOTOS + key + JPEG, MOST_BYTES_OF_PICTURE));
            }
        } catch (ZipException e) {
            throw ProblemException.unreadable("This is no zip that can be read. Send one that was downloaded here.");
        } finally {
            Files.delete(file);
        }
    }

    private static void spool(InputStream sent, Path file) throws IOException {
        try (OutputStream out = Files.newOutputStream(file)) {
            byte[] some = new byte[MIB];
            long bytes = 0;
            for (int read = sent.read(some); read >= 0; read = sent.read(some)) {
                bytes += read;
                if (bytes > MOST_BYTES) {
                    throw ProblemException.tooLarge("An archive with pictures has at most 2 GiB; this is more.");
                }
                out.write(some, 0, read);
            }
        }
    }

    /** An entry of a zip, which may say any size and hold any other. */
    private static Optional<byte[]> read(ZipFile zip, String name, int most) {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null) {
            return Optional.empty();
        }
        try (InputStream in = zip.getInputStream(entry)) {
            byte[] bytes = in.readNBytes(most + 1);
            if (bytes.length > most) {
                throw ProblemException.tooLarge(name + " in this zip has more than " + most / MIB + " MiB.");
            }
            return Optional.of(bytes);
        } catch (ZipException e) {
            throw ProblemException.unreadable(name + " in this zip cannot be read. Download it again.");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
