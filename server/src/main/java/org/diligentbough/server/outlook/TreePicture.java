package org.diligentbough.server.outlook;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import javax.imageio.ImageIO;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.survey.Point;

/** A tree seen from the south, for paper. */
final class TreePicture {
    private static final int WIDTH = 900;
    private static final int HEIGHT = 900;
    private static final Color BARK = new Color(0x6b, 0x5d, 0x50);
    private static final Color DEAD = new Color(0xb8, 0xb0, 0xa4);
    private static final Color LEAF = new Color(0x7c, 0x9c, 0x62, 70);
    private static final Color CUT = new Color(0x5b, 0x2a, 0x52);
    private static final Color SLATE = new Color(0x44, 0x63, 0x78);
    /** Wood is drawn somewhat wider than it is, so that thin limbs can be seen. */
    private static final double WIDER = 1.35;
    /** Where along a limb its tag stands. */
    private static final double TAG_AT = 0.85;

    private final double perM;
    private final double trunkM;
    private final double trunkTopM;

    /**
     * @param reachM half the width and {@code topM} the height that must find room; the same for pictures to be compared
     */
    TreePicture(double reachM, double topM, double trunkDiameterCm, double trunkTopM) {
        this.perM = Math.min(WIDTH / (2 * reachM + 0.6), HEIGHT / (topM + 0.8));
        this.trunkM = trunkDiameterCm / 100;
        this.trunkTopM = trunkTopM;
    }

    /** A PNG of the limbs; with a height wanted as a line. */
    byte[] of(List<Outlook.Grown> limbs, double wantedM) {
        BufferedImage image = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_INT_RGB);
        Graphics2D sheet = image.createGraphics();
        sheet.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        sheet.setColor(Color.WHITE);
        sheet.fillRect(0, 0, WIDTH, HEIGHT);
        sheet.setColor(SLATE);
        if (wantedM > 0) {
            sheet.setStroke(
                    new BasicStroke(2, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 1, new float[] {14, 9}, 0));
            sheet.draw(new Line2D.Double(0, y(wantedM), WIDTH, y(wantedM)));
        }
        sheet.setColor(BARK);
        sheet.setStroke(new BasicStroke(3));
        sheet.draw(new Line2D.Double(0, y(0), WIDTH, y(0)));
        sheet.setStroke(new BasicStroke((float) Math.max(6, trunkM * perM)));
        sheet.draw(new Line2D.Double(x(0), y(0), x(0), y(trunkTopM)));
        limbs.stream().filter(limb -> limb.leafAlongM() > 0).forEach(limb -> leaf(sheet, limb));
        limbs.forEach(limb -> wood(sheet, limb));
        limbs.stream().filter(limb -> limb.cut().isPresent()).forEach(limb -> mark(sheet, limb));
        sheet.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private double x(double eastM) {
        return WIDTH / 2.0 + eastM * perM;
    }

    private double y(double upM) {
        return HEIGHT - 0.4 * perM - upM * perM;
    }

    private void leaf(Graphics2D sheet, Outlook.Grown limb) {
        double across = limb.leafAcrossM() * 0.62 * perM;
        double level = x(limb.tip().eastM()) - x(limb.base().eastM());
        double rise = y(limb.tip().upM()) - y(limb.base().upM());
        Point middle = limb.leafCentre();
        Graphics2D turned = (Graphics2D) sheet.create();
        turned.translate(x(middle.eastM()), y(middle.upM()));
        turned.rotate(Math.atan2(rise, level));
        double along = Math.max(across, limb.leafAlongM() * perM * 0.8);
        turned.setColor(LEAF);
        turned.fill(new Ellipse2D.Double(-along, -across, 2 * along, 2 * across));
        turned.dispose();
    }

    private void wood(Graphics2D sheet, Outlook.Grown limb) {
        double fromX = x(limb.base().eastM());
        double fromY = y(limb.base().upM());
        double toX = x(limb.tip().eastM());
        double toY = y(limb.tip().upM());
        double length = Math.max(1, Math.hypot(toX - fromX, toY - fromY));
        double nx = -(toY - fromY) / length;
        double ny = (toX - fromX) / length;
        double a = Math.max(1.5, limb.diameterCm() / 200 * WIDER * perM);
        double b = Math.max(1, limb.tipDiameterCm() / 200 * WIDER * perM);
        Path2D path = new Path2D.Double();
        path.moveTo(fromX + nx * a, fromY + ny * a);
        path.lineTo(toX + nx * b, toY + ny * b);
        path.lineTo(toX - nx * b, toY - ny * b);
        path.lineTo(fromX - nx * a, fromY - ny * a);
        path.closePath();
        sheet.setColor(limb.living() ? BARK : DEAD);
        sheet.fill(path);
    }

    /**
     * Where a limb's tag stands.
     *
     * @param left share of the picture's width
     * @param top share of its height
     */
    record Tag(String limb, double left, double top) {}

    /** Where tags stand of limbs as thick as can be told apart: about their middle, as far as they stand. */
    List<Tag> tags(List<Outlook.Grown> limbs) {
        return limbs.stream()
                .filter(limb -> limb.cut().isPresent())
                .map(limb -> new Tag(limb.id(), along(limb, TAG_AT, true) / WIDTH, along(limb, TAG_AT, false) / HEIGHT))
                .toList();
    }

    /** A place a share of the way along a limb: how far from the left, or from the top. */
    private double along(Outlook.Grown limb, double share, boolean fromLeft) {
        return fromLeft
                ? x(limb.base().eastM()
                        + share * (limb.tip().eastM() - limb.base().eastM()))
                : y(limb.base().upM() + share * (limb.tip().upM() - limb.base().upM()));
    }

    /** A bar across where it is cut. */
    private void mark(Graphics2D sheet, Outlook.Grown limb) {
        double lengthM = Math.max(
                0.01,
                Math.sqrt(Math.pow(limb.tip().eastM() - limb.base().eastM(), 2)
                        + Math.pow(limb.tip().northM() - limb.base().northM(), 2)
                        + Math.pow(limb.tip().upM() - limb.base().upM(), 2)));
        double share = Math.min(1, Math.max(0.06, limb.cutAtM() / lengthM));
        double atX = along(limb, share, true);
        double atY = along(limb, share, false);
        double turn = Math.atan2(
                y(limb.tip().upM()) - y(limb.base().upM()),
                x(limb.tip().eastM()) - x(limb.base().eastM()));
        double half = Math.max(12, limb.diameterCm() / 100 * WIDER * perM);
        sheet.setColor(CUT);
        sheet.setStroke(new BasicStroke(5));
        sheet.draw(new Line2D.Double(
                atX - half * Math.sin(turn),
                atY + half * Math.cos(turn),
                atX + half * Math.sin(turn),
                atY - half * Math.cos(turn)));
    }
}
