package org.diligentbough.server.crew;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import javax.imageio.ImageIO;
import org.diligentbough.server.crew.PackDrawing.Picture;
import org.diligentbough.server.judgement.TreeDrawing;
import org.diligentbough.server.judgement.TreeDrawing.LimbDrawing;
import org.diligentbough.server.judgement.TreeDrawing.PointDrawing;
import org.diligentbough.server.visit.VisitCut;
import org.junit.jupiter.api.Test;

class PackDrawingTest {
    /** A limb two metres long to the east at three metres, and one of half its thickness that rises from its middle. */
    private static final TreeDrawing TREE = new TreeDrawing(
            "apple",
            false,
            4.5,
            4,
            20,
            3,
            null,
            null,
            null,
            List.of(
                    limb("A", null, new PointDrawing(0, 0, 3), new PointDrawing(2, 0, 3), 10),
                    limb("B", "A", new PointDrawing(1, 0, 3), new PointDrawing(1, 0, 4.5), 8)));

    private static LimbDrawing limb(String id, String parent, PointDrawing base, PointDrawing tip, double diameterCm) {
        return new LimbDrawing(
                id, parent, base, tip, diameterCm, diameterCm / 2, 2, 90, 0, true, null, null, 0, 0, null);
    }

    private static VisitCut cut(String kind, double alongM) {
        return new VisitCut(
                "A", kind, false, "collar", 10, alongM, 3, 5, 10, true, false, true, false, 0.2, "saw", "handsaw",
                "ground", List.of(), null, List.of());
    }

    /** How dark the rising limb is halfway up, 0 black to 255 white, seen from the south. */
    private static int darknessOfTheSideLimb(VisitCut... cuts) throws IOException {
        Picture picture = PackDrawing.fromTheSide(TREE, List.of(cuts), 180);
        byte[] png =
                Base64.getDecoder().decode(picture.png().substring(picture.png().indexOf(',') + 1));
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(png));
        int darkest = 255;
        int high = (int) (image.getHeight() * 0.2);
        for (int x = image.getWidth() / 2 + 40; x < image.getWidth() - 100; x++) {
            darkest = Math.min(darkest, image.getRGB(x, high) & 0xFF);
        }
        return darkest;
    }

    @Test
    void whatGrowsFromWoodThatGoesIsPaleToo() throws IOException {
        int stays = darknessOfTheSideLimb();
        assertThat(darknessOfTheSideLimb(cut("remove", 0)))
                .isGreaterThan(stays + 50)
                .isLessThan(255);
        assertThat(darknessOfTheSideLimb(cut("shorten", 0.5)))
                .as("beyond the cut")
                .isGreaterThan(stays + 50);
        assertThat(darknessOfTheSideLimb(cut("shorten", 1.5)))
                .as("before the cut")
                .isEqualTo(stays);
    }

    @Test
    void aLimbThatIsTiedDownStays() throws IOException {
        assertThat(darknessOfTheSideLimb(cut("bend", 0.2))).isEqualTo(darknessOfTheSideLimb());
    }
}
