package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;
import static org.diligentbough.server.TestServer.sendBytes;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.diligentbough.server.TestServer.Answer;
import org.junit.jupiter.api.Test;

/** Pictures: kept once and whole, without where they were taken, however slowly they come. */
class PhotoApiTest {
    private static final int SLOW_PHONES = 14;

    private static String to(long tree, UUID key) {
        return "/api/trees/" + tree + "/photos?takenOn=2027-02-20&spot=from+the+south&key=" + key;
    }

    private static Answer photo(long tree, UUID key, byte[] picture) {
        return sendBytes(to(tree, key), "image/jpeg", picture);
    }

    static byte[] jpeg(int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        for (int i = 0; i < 60; i++) {
            pen.setColor(new Color(i * 4, 200 - i * 3, i * 2));
            pen.drawLine(i * width / 60, 0, width - i, height);
        }
        pen.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "jpg", out);
        return out.toByteArray();
    }

    /** The picture with an EXIF segment that tells a place and a way up, and a comment. */
    private static byte[] withPlace(byte[] picture) throws IOException {
        byte[] exif = new byte[] {
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
            2,
            0x01,
            0x12,
            0,
            3,
            0,
            0,
            0,
            1,
            0,
            6,
            0,
            0,
            (byte) 0x88,
            0x25,
            0,
            4,
            0,
            0,
            0,
            1,
            0,
            0,
            0,
            26,
            0,
            0,
            0,
            0
        };
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(picture, 0, 2);
        segment(out, 0xE1, exif);
        segment(out, 0xE1, "http://ns.adobe.com/xap/1.0/ GPSLatitude 52,6.1N".getBytes(StandardCharsets.US_ASCII));
        segment(out, 0xFE, "GPSLongitude 2,24W".getBytes(StandardCharsets.US_ASCII));
        out.write(picture, 2, picture.length - 2);
        return out.toByteArray();
    }

    private static void segment(ByteArrayOutputStream out, int kind, byte[] content) throws IOException {
        out.write(0xFF);
        out.write(kind);
        out.write((content.length + 2) >> 8);
        out.write((content.length + 2) & 0xFF);
        out.write(content);
    }

    @Test
    void aPictureCutOffOnItsWayIsRefusedAndTheWholeOneTakenUnderTheSameKey() throws IOException {
        long tree = TestServer.tree(TestServer.site("Cut off"), "P-1");
        UUID key = UUID.randomUUID();
        byte[] whole = jpeg(900, 700);
        for (double share : new double[] {0.3, 0.6, 0.9, 0.99}) {
            Answer refused = photo(tree, key, Arrays.copyOf(whole, (int) (whole.length * share)));
            assertThat(refused.expect(400).get("detail").stringValue()).contains("cut off");
        }
        photo(tree, key, whole).expect(201);
        assertThat(get("/api/trees/" + tree + "/photos").json()).hasSize(1);
    }

    @Test
    void thePlaceGoesAndTheWayUpStays() throws IOException {
        long tree = TestServer.tree(TestServer.site("No place"), "P-1");
        UUID key = UUID.randomUUID();
        byte[] sent = withPlace(jpeg(300, 200));
        photo(tree, key, sent).expect(201);
        byte[] kept = TestServer.bytes("/api/photos/" + key);
        String text = new String(kept, StandardCharsets.ISO_8859_1);
        assertThat(text).doesNotContain("GPS").doesNotContain("adobe");
        assertThat(text).contains("Exif");
        int entry = text.indexOf("Exif") + 6 + 8 + 2;
        assertThat(kept[entry + 9]).isEqualTo((byte) 6);
        assertThat(ImageIO.read(new java.io.ByteArrayInputStream(kept)).getWidth())
                .isEqualTo(300);
        // What is sent again is the same, though what is kept is less.
        photo(tree, key, sent).expect(201);
    }

    @Test
    void theSameKeyWithAnotherPictureOrTreeIsRefused() throws IOException {
        long site = TestServer.site("One key");
        long tree = TestServer.tree(site, "P-1");
        long other = TestServer.tree(site, "P-2");
        UUID key = UUID.randomUUID();
        byte[] picture = jpeg(200, 100);
        photo(tree, key, picture).expect(201);
        assertThat(photo(tree, key, jpeg(100, 200)).expect(409).get("conflict").stringValue())
                .isEqualTo("key-used");
        assertThat(photo(other, key, picture).expect(409).get("conflict").stringValue())
                .isEqualTo("key-used");
        photo(tree, key, picture).expect(201);
        assertThat(get("/api/trees/" + other + "/photos").json()).isEmpty();
    }

    @Test
    void aPictureOfMorePixelsThanCanBeShownIsRefusedBeforeItIsDrawn() throws IOException {
        long tree = TestServer.tree(TestServer.site("Too wide"), "P-1");
        byte[] picture = jpeg(200, 100);
        // Height and width stand behind the mark of the frame.
        int frame = 2;
        while ((picture[frame + 1] & 0xFF) != 0xC0) {
            frame += 2 + ((picture[frame + 2] & 0xFF) << 8 | picture[frame + 3] & 0xFF);
        }
        picture[frame + 5] = 0x2E;
        picture[frame + 7] = 0x2E;
        assertThat(photo(tree, UUID.randomUUID(), picture)
                        .expect(400)
                        .get("detail")
                        .stringValue())
                .contains("25 million");
    }

    @Test
    void phonesWithWeakSignalHoldUpNobodyElse() throws IOException {
        long tree = TestServer.tree(TestServer.site("Weak signal"), "P-1");
        byte[] picture = jpeg(900, 700);
        URI server = URI.create(TestServer.url());
        List<Socket> phones = new ArrayList<>();
        try {
            for (int i = 0; i < SLOW_PHONES; i++) {
                Socket phone = new Socket(server.getHost(), server.getPort());
                phones.add(phone);
                OutputStream out = phone.getOutputStream();
                out.write(("POST " + to(tree, UUID.randomUUID()) + " HTTP/1.1\r\nHost: localhost\r\nCookie: "
                                + TestServer.signedIn()[1] + "\r\nBough-Token: " + TestServer.TOKEN
                                + "\r\nContent-Type: image/jpeg\r\nContent-Length: "
                                + picture.length
                                + "\r\n\r\n")
                        .getBytes(StandardCharsets.US_ASCII));
                out.write(picture, 0, picture.length / 2);
                out.flush();
            }
            for (int i = 0; i < 5; i++) {
                assertThat(get("/api/trees/" + tree).status()).isEqualTo(200);
            }
            photo(tree, UUID.randomUUID(), picture).expect(201);
        } finally {
            for (Socket phone : phones) {
                phone.close();
            }
        }
        assertThat(get("/api/trees/" + tree + "/photos").json()).hasSize(1);
    }
}
