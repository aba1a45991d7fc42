package org.diligentbough.server.photo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.stereotype.Component;

/**
 * Pictures as files in a folder outside the database, named by their keys alone. A picture is written under another name
 * first and gets its own once the database has its row; what a stop leaves in between is put right at the next start.
 */
@Component
class PhotoFiles {
    private static final String UUID_DIGITS = "[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    private static final Pattern COMING = Pattern.compile("coming-(" + UUID_DIGITS + ")-.*\\.part");
    private static final Pattern KEPT = Pattern.compile("(" + UUID_DIGITS + ")\\.jpg");

    private final Path folder;

    PhotoFiles(Settings settings) {
        this.folder = Path.of(settings.folder());
    }

    /**
     * Where pictures lie.
     *
     * @param folder made when the first picture comes
     */
    @ConfigurationProperties("bough.photos")
    record Settings(String folder) {}

    /** Writes a picture whole under a name for the time being. */
    Path coming(UUID key, byte[] picture) {
        try {
            Files.createDirectories(folder);
            Path file = Files.createTempFile(folder, "coming-" + key + "-", ".part");
            Files.write(file, picture);
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Gives a picture its name. */
    void keep(UUID key, Path coming) {
        try {
            Files.move(coming, path(key), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Lets go of a picture that was not kept. */
    void drop(Path coming) {
        try {
            Files.deleteIfExists(coming);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    byte[] read(UUID key) {
        try {
            return Files.readAllBytes(path(key));
        } catch (IOException e) {
            throw ProblemException.notFound("This picture is not in the folder of pictures any more.");
        }
    }

    /**
     * Puts right what a stop in the middle left behind: a picture with a row gets its name, one without goes.
     *
     * @param known whether the database has a row of a key
     * @param before only files older than this, so that what another server is just writing is left alone
     */
    void sweep(Predicate<UUID> known, Instant before) {
        for (Path file : files()) {
            String name = file.getFileName().toString();
            Optional<UUID> coming = key(COMING, name);
            Optional<UUID> kept = key(KEPT, name);
            if (older(file, before) && coming.isPresent() && known.test(coming.get())) {
                keep(coming.get(), file);
            } else if (older(file, before) && (coming.isPresent() || kept.isPresent() && !known.test(kept.get()))) {
                drop(file);
            }
        }
    }

    private List<Path> files() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Optional<UUID> key(Pattern pattern, String name) {
        Matcher matcher = pattern.matcher(name);
        return matcher.matches() ? Optional.of(UUID.fromString(matcher.group(1))) : Optional.empty();
    }

    private static boolean older(Path file, Instant than) {
        try {
            FileTime written = Files.getLastModifiedTime(file);
            return written.toInstant().isBefore(than);
        } catch (IOException e) {
            return false; // another server was quicker
        }
    }

    private Path path(UUID key) {
        return folder.resolve(key + ".jpg");
    }
}
