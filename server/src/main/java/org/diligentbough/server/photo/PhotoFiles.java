package org.diligentbough.server.photo;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Iterator;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.stereotype.Component;

/** Pictures as files in a folder outside the database, named by their keys alone. */
@Component
class PhotoFiles {
    static final int MOST_BYTES = 4 * 1024 * 1024;
    private static final int MOST_PIXELS_A_SIDE = 6_000;
    private static final String FORMAT = "JPEG";

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

    /** Width and height in pixels. */
    record Size(int width, int height) {}

    /** Looks into a picture: it has to be a JPEG that can be read, whatever it says it is, and not too large. */
    static Size check(byte[] picture) {
        if (picture.length == 0) {
            throw ProblemException.unreadable("No picture was sent. Send a JPEG.");
        }
        if (picture.length > MOST_BYTES) {
            throw ProblemException.tooLarge("A picture has at most 4 MiB; make it smaller and send it again.");
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(picture))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw notAPicture();
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in);
                Size size = new Size(reader.getWidth(0), reader.getHeight(0));
                boolean tooWide = size.width() > MOST_PIXELS_A_SIDE || size.height() > MOST_PIXELS_A_SIDE;
                if (tooWide || !FORMAT.equalsIgnoreCase(reader.getFormatName())) {
                    throw notAPicture();
                }
                reader.read(0);
                return size;
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException e) {
            throw notAPicture();
        }
    }

    private static ProblemException notAPicture() {
        return ProblemException.unreadable(
                "This is no picture that can be shown. Send a JPEG of at most 6000 by 6000 pixels.");
    }

    /** Writes a picture whole or not at all. */
    void keep(UUID key, byte[] picture) {
        try {
            Files.createDirectories(folder);
            Path half = Files.createTempFile(folder, "coming-", ".part");
            Files.write(half, picture);
            Files.move(half, path(key), StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
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

    private Path path(UUID key) {
        return folder.resolve(key + ".jpg");
    }
}
