package org.diligentbough.server.crew;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.diligentbough.server.crew.DayView.DayTaskView;
import org.diligentbough.server.crew.DayView.PersonView;
import org.diligentbough.server.crew.DayView.VisitView;
import org.diligentbough.server.crew.SheetMaker.TreeSheet;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording.Worded;
import org.diligentbough.server.visit.VisitCut;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Service;

/** What a crew has on paper: what to bring, its trees in order with drawings, numbered cuts, why, and cautions, as PDF. */
@Service
class PackService {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEEE d MMMM uuuu", Locale.ENGLISH);
    private static final String[] SIDES = {
        "north", "north-east", "east", "south-east", "south", "south-west", "west", "north-west"
    };
    private static final double A_SIDE_DEG = 45;
    private static final double ROUND_DEG = 360;

    private final SheetMaker sheets;
    private final DayService days;
    private final OrchardService orchard;
    private final Template template;

    PackService(SheetMaker sheets, DayService days, OrchardService orchard) {
        this.sheets = sheets;
        this.days = days;
        this.orchard = orchard;
        try {
            this.template = Mustache.compiler()
                    .emptyStringIsFalse(true)
                    .nullValue("")
                    .compile(new ClassPathResource("print/pack.html").getContentAsString(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A cut as it is printed. */
    record PrintedCut(int number, String what, String how, String why) {}

    /** A tree as it is printed. */
    record PrintedTree(
            int number,
            String tag,
            String kind,
            String when,
            String side,
            PackDrawing.Picture fromSide,
            PackDrawing.Picture fromAbove,
            List<PrintedCut> cuts,
            List<String> besides,
            List<String> cautions) {}

    /**
     * The pack of a crew, or of the whole day.
     *
     * @param crew its number; null for all
     * @throws ProblemException 404 when the day has no such crew
     */
    byte[] pack(long dayId, Integer crew) {
        DayView day = days.day(dayId);
        List<VisitView> visits = day.visits().stream()
                .filter(visit -> crew == null || crew.equals(visit.crew()))
                .sorted(Comparator.comparing(VisitView::starts, Comparator.nullsLast(Comparator.naturalOrder())))
                .toList();
        if (crew != null && visits.isEmpty()) {
            throw ProblemException.notFound("The day has no such crew.");
        }
        List<PrintedTree> trees = new ArrayList<>();
        List<PackDrawing.Stop> stops = new ArrayList<>();
        TreeSheet before = null;
        for (VisitView visit : visits) {
            TreeSheet sheet = sheets.ofVisit(visit.id());
            trees.add(printed(trees.size() + 1, visit, sheet, before));
            stops.add(new PackDrawing.Stop(
                    sheet.eastM(), sheet.northM(), sheet.drawing().spreadM()));
            before = sheet;
        }
        Map<String, Object> page = new HashMap<>();
        page.put("site", orchard.site(day.siteId()).name());
        page.put("crew", crew == null ? "" : "Crew " + crew + ", ");
        page.put("on", DAY.format(day.data().on()));
        page.put("hours", day.data().starts() + "–" + day.data().ends());
        page.put("note", day.data().note() == null ? "" : day.data().note());
        page.put(
                "who",
                day.people().stream()
                        .filter(one -> crew == null || crew.equals(one.crew()))
                        .map(PackService::person)
                        .collect(Collectors.joining("; ")));
        page.put("bring", bring(visits));
        page.put(
                "order",
                trees.stream().map(tree -> tree.number() + " " + tree.tag()).collect(Collectors.joining(", ")));
        page.put(
                "tasks",
                day.tasks().stream()
                        .filter(task -> crew == null || crew.equals(task.crew()))
                        .map(PackService::task)
                        .toList());
        page.put("map", stops.size() < 2 ? List.of() : List.of(PackDrawing.map(stops)));
        page.put("trees", trees);
        return pdf(template.execute(page));
    }

    private static String person(PersonView one) {
        return one.name()
                + (one.tickets().isEmpty()
                        ? ""
                        : " (" + String.join(", ", one.tickets()).replace('-', ' ') + ")")
                + (one.maybeUnderAge() ? " - ground and hand tools only" : "");
    }

    private static String task(DayTaskView task) {
        return (task.starts() == null ? "" : task.starts() + " ")
                + (task.tag() == null ? "" : task.tag() + ": ")
                + task.title() + ", about " + task.minutes() + " person-minutes";
    }

    private static String bring(List<VisitView> visits) {
        Map<String, Integer> kit = new TreeMap<>();
        visits.forEach(visit -> visit.kit().forEach(one -> kit.merge(one.replace('-', ' '), 1, Integer::sum)));
        return kit.entrySet().stream()
                .map(one -> one.getKey() + " (" + one.getValue() + (one.getValue() == 1 ? " tree)" : " trees)"))
                .collect(Collectors.joining(", "));
    }

    private static PrintedTree printed(int number, VisitView visit, TreeSheet sheet, TreeSheet before) {
        double bearing = bearing(sheet, before);
        List<String> besides = new ArrayList<>();
        if (sheet.shoots() > 0) {
            besides.add("Then, for the time left, " + sheet.shoots() + " of the upright shoots.");
        }
        sheet.tasks().forEach(task -> besides.add(task.text()));
        if (sheet.upkeepMinutes() > 0) {
            besides.add("The ordinary yearly cutting, about " + sheet.upkeepMinutes() + " person-minutes.");
        }
        return new PrintedTree(
                number,
                sheet.tag(),
                sheet.species().replace('-', ' ') + (sheet.cultivar() == null ? "" : " " + sheet.cultivar()),
                visit.starts() == null ? "" : ", " + visit.starts() + "–" + visit.ends(),
                "From the " + SIDES[(int) Math.round(bearing / A_SIDE_DEG) % SIDES.length] + ", where you come from"
                        + (before == null ? "" : " " + before.tag()),
                PackDrawing.fromTheSide(sheet.drawing(), sheet.cuts(), bearing),
                PackDrawing.fromAbove(sheet.drawing(), sheet.cuts()),
                cuts(sheet.cuts()),
                besides,
                sheet.cautions().stream().map(Worded::text).toList());
    }

    /** From where one comes to a tree: the tree before, or the site's mark. */
    private static double bearing(TreeSheet tree, TreeSheet before) {
        double east = (before == null ? 0 : before.eastM()) - tree.eastM();
        double north = (before == null ? 0 : before.northM()) - tree.northM();
        return (Math.toDegrees(Math.atan2(east, north)) + ROUND_DEG) % ROUND_DEG;
    }

    private static List<PrintedCut> cuts(List<VisitCut> cuts) {
        List<PrintedCut> printed = new ArrayList<>();
        for (VisitCut cut : cuts) {
            printed.add(new PrintedCut(
                    printed.size() + 1,
                    cut.kind().replace('-', ' ') + " " + cut.limb() + (cut.urgent() ? ", urgent" : ""),
                    String.format(
                            Locale.ROOT,
                            "%.1f cm wide, %.1f m up, %s, %s; %s%s%s",
                            cut.diameterCm(),
                            cut.heightM(),
                            cut.reach().replace('-', ' '),
                            cut.tool().replace('-', ' '),
                            cut.technique().replace('-', ' '),
                            cut.alongM() > 0 ? String.format(Locale.ROOT, ", %.1f m along it", cut.alongM()) : "",
                            cut.tickets().isEmpty()
                                    ? ""
                                    : "; wants "
                                            + String.join(", ", cut.tickets()).replace('-', ' ')),
                    cut.reasons().isEmpty() ? "" : cut.reasons().get(0).text()));
        }
        return printed;
    }

    private static byte[] pdf(String html) {
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            new PdfRendererBuilder()
                    .withHtmlContent(html, null)
                    .useUriResolver((base, uri) -> uri != null && uri.startsWith("data:") ? uri : null)
                    .toStream(out)
                    .run();
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
