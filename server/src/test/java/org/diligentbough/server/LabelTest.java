package org.diligentbough.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.diligentbough.server.TestServer.get;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.DecodeHintType;
import com.google.zxing.RGBLuminanceSource;
import com.google.zxing.common.GlobalHistogramBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.util.Arrays;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Labels of trees, read again by a reader of codes. */
class LabelTest {
    private static final int PIXELS = 4;
    /** The paper around it, in modules. */
    private static final int AROUND = 4;

    private static final int WHITE = 0xFFFFFF;

    private static String read(JsonNode rows) throws Exception {
        int size = rows.size();
        int wide = (size + 2 * AROUND) * PIXELS;
        int[] pixels = new int[wide * wide];
        Arrays.fill(pixels, WHITE);
        for (int y = 0; y < size * PIXELS; y++) {
            for (int x = 0; x < size * PIXELS; x++) {
                if (rows.get(y / PIXELS).stringValue().charAt(x / PIXELS) == '1') {
                    pixels[(y + AROUND * PIXELS) * wide + x + AROUND * PIXELS] = 0;
                }
            }
        }
        // It is no photograph: nothing has to be found or told from its shade, which fails for some addresses at so few
        // pixels.
        return new QRCodeReader()
                .decode(
                        new BinaryBitmap(new GlobalHistogramBinarizer(new RGBLuminanceSource(wide, wide, pixels))),
                        Map.of(DecodeHintType.PURE_BARCODE, true))
                .getText();
    }

    @Test
    void theCodeOfALabelOpensItsTree() throws Exception {
        long site = TestServer.site("Labels " + UUID.randomUUID());
        TestServer.tree(site, "L-2");
        long tree = TestServer.tree(site, "L-1");
        JsonNode labels = get("/api/sites/" + site + "/labels").expect(200);
        assertThat(labels).hasSize(2);
        assertThat(labels.at("/0/tag").stringValue()).isEqualTo("L-1");
        assertThat(read(labels.at("/0/qrRows")))
                .isEqualTo(labels.at("/0/address").stringValue())
                .endsWith("/sites/" + site + "/trees/" + tree);
    }
}
