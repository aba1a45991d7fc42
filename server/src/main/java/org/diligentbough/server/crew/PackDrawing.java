package org.diligentbough.server.crew;

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
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.server.judgement.TreeDrawing;
import org.diligentbough.server.judgement.TreeDrawing.LimbDrawing;
import org.diligentbough.server.judgement.TreeDrawing.PointDrawing;
import org.diligentbough.server.visit.LoggedCut;
import org.diligentbough.server.visit.VisitCut;

/**
 * A tree for a printed page, plain and to scale: its limbs as they were measured, what is cut pale, with the places of the cuts'
 * numbers beside it. Words are no part of it: the page writes them.
 */
final class PackDrawing {
    private static final int WIDE = 900;
    private static final int HIGH = 660;
    private static final double MARGIN = 0.08;
    private static final double MAP_MARGIN = 0.14;
    private static final Color INK = new Color(0x2B2118);
    private static final Color PALE = new Color(0xB9A98F);
    private static final Color GROUND = new Color(0xD8CDB8);
    private static final float GROUND_PX = 5;
    private static final double LEAST_PX = 2.5;
    private static final double CM = 0.01;
    private static final String BEND = Codes.of(LoggedCut.Done.BEND);

    private final TreeDrawing tree;
    private final Map<String, VisitCut> cuts = new HashMap<>();
    private final Map<String, LimbDrawing> limbs = new HashMap<>();
    private final boolean above;
    private final double rightEast;
    private final double rightNorth;
    private final double scale;

    private PackDrawing(TreeDrawing tree, List<VisitCut> cuts, boolean above, double fromDeg) {
        this.tree = tree;
        this.above = above;
        cuts.forEach(cut -> this.cuts.put(cut.limb(), cut));
        tree.limbs().forEach(limb -> this.limbs.put(limb.id(), limb));
        this.rightEast = above ? 1 : -Math.cos(Math.toRadians(fromDeg));
        this.rightNorth = above ? 0 : Math.sin(Math.toRadians(fromDeg));
        double half = 0.5;
        double up = tree.heightM();
        for (LimbDrawing limb : tree.limbs()) {
            for (PointDrawing end : List.of(limb.base(), limb.tip())) {
                half = Math.max(half, Math.max(Math.abs(across(end)), above ? Math.abs(end.northM()) : 0));
                up = Math.max(up, end.upM());
            }
        }
        double wide = WIDE * (1 - 2 * MARGIN) / (2 * half);
        double high = HIGH * (1 - 2 * MARGIN) / (above ? 2 * half : up);
        this.scale = Math.min(wide, high);
    }

    /**
     * A picture.
     *
     * @param png as a data address
     * @param numbers where each cut's number stands, shares of width and height from the left top
     */
    record Picture(String png, List<Number> numbers) {}

    /** A cut's number; places in hundredths of the picture. */
    record Number(int number, double leftPercent, double topPercent) {}

    /** A place on the ground, metres from the site's mark, with the crown over it. */
    record Stop(double eastM, double northM, double spreadM) {}

    /** Trees from above, north up, in their order, with the way from one to the next. */
    static Picture map(List<Stop> stops) {
        double west = stops.stream().mapToDouble(Stop::eastM).min().orElse(0);
        double east = stops.stream().mapToDouble(Stop::eastM).max().orElse(0);
        double south = stops.stream().mapToDouble(Stop::northM).min().orElse(0);
        double north = stops.stream().mapToDouble(Stop::northM).max().orElse(0);
        double scale = Math.min(
                WIDE * (1 - 2 * MAP_MARGIN) / Math.max(1, east - west),
                HIGH * (1 - 2 * MAP_MARGIN) / Math.max(1, north - south));
        BufferedImage image = new BufferedImage(WIDE, HIGH, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = sheet(image);
        List<Number> numbers = new ArrayList<>();
        double[] x = new double[stops.size()];
        double[] y = new double[stops.size()];
        for (int i = 0; i < stops.size(); i++) {
            Stop stop = stops.get(i);
            x[i] = WIDE / 2.0 + (stop.eastM() - (west + east) / 2) * scale;
            y[i] = HIGH / 2.0 - (stop.northM() - (south + north) / 2) * scale;
            double crown = Math.max(1, stop.spreadM()) * scale;
            pen.setColor(PALE);
            pen.draw(new Ellipse2D.Double(x[i] - crown / 2, y[i] - crown / 2, crown, crown));
            numbers.add(new Number(i + 1, 100 * x[i] / WIDE, 100 * y[i] / HIGH));
        }
        pen.setColor(INK);
        pen.setStroke(new BasicStroke(3));
        for (int i = 1; i < stops.size(); i++) {
            pen.draw(new Line2D.Double(x[i - 1], y[i - 1], x[i], y[i]));
        }
        pen.dispose();
        return new Picture(address(image), numbers);
    }

    private static Graphics2D sheet(BufferedImage image) {
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, WIDE, HIGH);
        return pen;
    }

    private static String address(BufferedImage image) {
        try {
            ByteArrayOutputStream png = new ByteArrayOutputStream();
            ImageIO.write(image, "png", png);
            return "data:image/png;base64," + Base64.getEncoder().encodeToString(png.toByteArray());
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** From where somebody stands in a compass direction, degrees. */
    static Picture fromTheSide(TreeDrawing tree, List<VisitCut> cuts, double fromDeg) {
        return new PackDrawing(tree, cuts, false, fromDeg).picture(cuts);
    }

    /** From above, north up. */
    static Picture fromAbove(TreeDrawing tree, List<VisitCut> cuts) {
        return new PackDrawing(tree, cuts, true, 0).picture(cuts);
    }

    private double across(PointDrawing at) {
        return at.eastM() * rightEast + at.northM() * rightNorth;
    }

    private double x(PointDrawing at) {
        return WIDE / 2.0 + across(at) * scale;
    }

    private double y(PointDrawing at) {
        return above ? HIGH / 2.0 - at.northM() * scale : HIGH * (1 - MARGIN) - at.upM() * scale;
    }

    private Picture picture(List<VisitCut> ordered) {
        BufferedImage image = new BufferedImage(WIDE, HIGH, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = sheet(image);
        PointDrawing foot = new PointDrawing(0, 0, 0);
        double trunk = Math.max(2 * LEAST_PX, tree.trunkDiameterCm() * CM * scale);
        if (above) {
            pen.setColor(INK);
            pen.fill(new Ellipse2D.Double(x(foot) - trunk / 2, y(foot) - trunk / 2, trunk, trunk));
        } else {
            pen.setColor(GROUND);
            pen.setStroke(new BasicStroke(GROUND_PX));
            pen.draw(new Line2D.Double(0, y(foot), WIDE, y(foot)));
            taper(pen, INK, foot, new PointDrawing(0, 0, tree.trunkTopM()), trunk, trunk * 0.7);
        }
        for (LimbDrawing limb : tree.limbs()) {
            VisitCut cut = cuts.get(limb.id());
            PointDrawing at = cut == null ? limb.tip() : cutAt(limb, cut);
            double base = limb.diameterCm() * CM * scale;
            double tip = limb.tipDiameterCm() * CM * scale;
            boolean whole = cut == null || cut.kind().equals(BEND);
            boolean gone = goesWithAnother(limb);
            taper(pen, whole && !gone ? INK : PALE, limb.base(), limb.tip(), base, tip);
            if (!whole && !gone && cut.alongM() > 0) {
                taper(pen, INK, limb.base(), at, base, (base + tip) / 2);
            }
        }
        List<Number> numbers = new ArrayList<>();
        for (LimbDrawing limb : tree.limbs()) {
            VisitCut cut = cuts.get(limb.id());
            if (cut != null) {
                PointDrawing at = cutAt(limb, cut);
                numbers.add(new Number(ordered.indexOf(cut) + 1, 100 * x(at) / WIDE, 100 * y(at) / HIGH));
            }
        }
        pen.dispose();
        return new Picture(address(image), numbers);
    }

    /** Whether it grows from wood that is cut off. */
    private boolean goesWithAnother(LimbDrawing limb) {
        LimbDrawing parent = limb.parent() == null ? null : limbs.get(limb.parent());
        if (parent == null) {
            return false;
        }
        VisitCut cut = cuts.get(parent.id());
        return cut != null && !cut.kind().equals(BEND) && metres(parent.base(), limb.base()) >= cut.alongM()
                || goesWithAnother(parent);
    }

    private static double metres(PointDrawing from, PointDrawing to) {
        return Math.hypot(Math.hypot(to.eastM() - from.eastM(), to.northM() - from.northM()), to.upM() - from.upM());
    }

    private static PointDrawing cutAt(LimbDrawing limb, VisitCut cut) {
        double share = limb.lengthM() <= 0 ? 0 : Math.min(1, Math.max(0.06, cut.alongM() / limb.lengthM()));
        return new PointDrawing(
                limb.base().eastM() + (limb.tip().eastM() - limb.base().eastM()) * share,
                limb.base().northM() + (limb.tip().northM() - limb.base().northM()) * share,
                limb.base().upM() + (limb.tip().upM() - limb.base().upM()) * share);
    }

    private void taper(Graphics2D pen, Color colour, PointDrawing from, PointDrawing to, double wide, double thin) {
        double dx = x(to) - x(from);
        double dy = y(to) - y(from);
        double length = Math.hypot(dx, dy);
        double nx = length == 0 ? 1 : -dy / length;
        double ny = length == 0 ? 0 : dx / length;
        double a = Math.max(LEAST_PX, wide) / 2;
        double b = Math.max(LEAST_PX, thin) / 2;
        Path2D body = new Path2D.Double();
        body.moveTo(x(from) + nx * a, y(from) + ny * a);
        body.lineTo(x(to) + nx * b, y(to) + ny * b);
        body.lineTo(x(to) - nx * b, y(to) - ny * b);
        body.lineTo(x(from) - nx * a, y(from) - ny * a);
        body.closePath();
        pen.setColor(colour);
        pen.fill(body);
    }
}
