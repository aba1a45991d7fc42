package org.diligentbough.server.photo;

import static java.nio.charset.StandardCharsets.US_ASCII;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.event.IIOReadWarningListener;
import javax.imageio.stream.ImageInputStream;
import org.diligentbough.server.shared.ProblemException;

/** Looks into JPEGs: whether they can be shown whole, and what of them says more than the picture. */
final class Jpeg {
    private static final int MOST_PIXELS = 25_000_000;
    private static final int MOST_PIXELS_A_SIDE = 12_000;
    /** So much of a side is decoded to see whether the picture is whole. */
    private static final int LOOKED_AT_PIXELS = 1_000;
    /** Decoding takes memory: a few at a time, however many are sent. */
    private static final int AT_ONCE = 2;

    private static final Semaphore HANDS = new Semaphore(AT_ONCE);

    private static final String FORMAT = "JPEG";
    private static final String COLOURS = "ICC_PROFILE";
    private static final int MARK = 0xFF;
    private static final int START_OF_SCAN = 0xDA;
    private static final int END = 0xD9;
    private static final int APP_0 = 0xE0;
    private static final int APP_1 = 0xE1;
    private static final int APP_14_ADOBE = 0xEE;
    private static final int APP_LAST = 0xEF;
    private static final int COMMENT = 0xFE;
    private static final int ORIENTATION_TAG = 0x0112;
    private static final int ORIENTATIONS = 8;

    private Jpeg() {}

    /** Width and height in pixels. */
    record Size(int width, int height) {}

    /**
     * The size of a picture that can be shown whole.
     *
     * @throws ProblemException 400 for what is no JPEG, is cut off on its way, or has more than 25 million pixels
     */
    static Size look(byte[] picture) {
        if (picture.length == 0) {
            throw ProblemException.unreadable("No picture was sent. Send a JPEG.");
        }
        HANDS.acquireUninterruptibly();
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(picture))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) {
                throw notAPicture();
            }
            ImageReader reader = readers.next();
            try {
                return look(reader, in);
            } finally {
                reader.dispose();
            }
        } catch (IOException | IllegalArgumentException | IndexOutOfBoundsException | NegativeArraySizeException e) {
            throw notAPicture();
        } finally {
            HANDS.release();
        }
    }

    private static Size look(ImageReader reader, ImageInputStream in) throws IOException {
        reader.setInput(in);
        Size size = new Size(reader.getWidth(0), reader.getHeight(0));
        boolean tooLarge = size.width() > MOST_PIXELS_A_SIDE
                || size.height() > MOST_PIXELS_A_SIDE
                || (long) size.width() * size.height() > MOST_PIXELS;
        if (tooLarge || !FORMAT.equalsIgnoreCase(reader.getFormatName())) {
            throw notAPicture();
        }
        boolean[] broken = new boolean[1];
        // A picture that ends too early is filled up with grey and only warned of.
        reader.addIIOReadWarningListener(new IIOReadWarningListener() {
            @Override
            public void warningOccurred(ImageReader source, String warning) {
                broken[0] = true;
            }
        });
        ImageReadParam coarsely = reader.getDefaultReadParam();
        int every = Math.max(1, Math.max(size.width(), size.height()) / LOOKED_AT_PIXELS);
        coarsely.setSourceSubsampling(every, every, 0, 0);
        BufferedImage seen = reader.read(0, coarsely);
        seen.flush();
        if (broken[0]) {
            throw ProblemException.unreadable(
                    "This picture was cut off on its way or is damaged. Send it again, or take another.");
        }
        return size;
    }

    private static ProblemException notAPicture() {
        return ProblemException.unreadable(
                "This is no picture that can be shown. Send a JPEG of at most 25 million pixels.");
    }

    /**
     * The same picture without what says where and with what it was taken: application segments and comments go, the way up
     * stays. The picture's own data are not touched.
     *
     * @param picture one that {@link #look} found whole
     */
    static byte[] bare(byte[] picture) {
        ByteArrayOutputStream out = new ByteArrayOutputStream(picture.length);
        out.write(picture, 0, 2);
        int orientation = 1;
        int at = 2;
        ByteArrayOutputStream rest = new ByteArrayOutputStream(picture.length);
        while (at + 4 <= picture.length && (picture[at] & MARK) == MARK) {
            int kind = picture[at + 1] & MARK;
            if (kind == MARK) {
                at++;
                continue;
            }
            if (kind == START_OF_SCAN || kind == END) {
                break;
            }
            int length = 2 + word(picture, at + 2, true);
            if (at + length > picture.length) {
                break;
            }
            if (kind == APP_1) {
                orientation = Math.max(orientation, orientation(picture, at + 4, at + length));
            }
            boolean says = kind > APP_0 && kind <= APP_LAST && kind != APP_14_ADOBE && !colours(picture, at, length)
                    || kind == COMMENT;
            if (!says) {
                rest.write(picture, at, length);
            }
            at += length;
        }
        if (orientation > 1) {
            byte[] upright = upright(orientation);
            out.write(upright, 0, upright.length);
        }
        out.writeBytes(rest.toByteArray());
        out.write(picture, at, picture.length - at);
        return out.toByteArray();
    }

    /** Whether a segment says how the picture's colours are meant. */
    private static boolean colours(byte[] picture, int at, int length) {
        return length > 4 + COLOURS.length() && new String(picture, at + 4, COLOURS.length(), US_ASCII).equals(COLOURS);
    }

    /** The way up an EXIF segment tells, 1 (as it lies) where it tells none. */
    private static int orientation(byte[] picture, int from, int to) {
        int tiff = from + 6;
        if (tiff + 8 > to || picture[from] != 'E' || picture[from + 1] != 'x') {
            return 1;
        }
        boolean big = picture[tiff] == 'M';
        int directory = tiff + 4 + 4;
        if (directory + 2 > to) {
            return 1;
        }
        int entries = word(picture, directory, big);
        for (int i = 0; i < entries; i++) {
            int entry = directory + 2 + i * 12;
            if (entry + 12 > to) {
                return 1;
            }
            if (word(picture, entry, big) == ORIENTATION_TAG) {
                int value = word(picture, entry + 8, big);
                return value >= 1 && value <= ORIENTATIONS ? value : 1;
            }
        }
        return 1;
    }

    /** The smallest EXIF segment that tells a way up. */
    private static byte[] upright(int orientation) {
        return new byte[] {
            (byte) MARK,
            (byte) APP_1,
            0,
            34,
            'E',
            'x',
            'i',
            'f',
            0,
            0,
            'M',
            'M',
            0,
            42,
            0,
            0,
            0,
            8,
            0,
            1,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            (byte) orientation,
            0,
            0,
            0,
            0,
            0,
            0
        };
    }

    private static int word(byte[] bytes, int at, boolean big) {
        int first = bytes[at] & MARK;
        int second = bytes[at + 1] & MARK;
        return big ? first << 8 | second : second << 8 | first;
    }
}
