package org.diligentbough.server.outlook;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.outlook.PlanBuys;
import org.diligentbough.core.outlook.Planned;
import org.diligentbough.core.plan.RenovationPlan;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Limb;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.Wording;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templatemode.TemplateMode;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;

/** One page for whoever owns a tree: what is to be done when, in plain words, the tree now and after, and the cautions. */
@RestController
class OwnersPlanApi {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final int MOST_CAUTIONS = 7;
    private static final double PICTURE_MM = 66;
    /** The fonts every reader of PDF has know the letters of western Europe only; this one ships with the library. */
    private static final String EVERY_LETTER = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final JudgementService judgement;
    private final OrchardService orchard;
    private final Rulebook rules;
    private final Wording wording;
    private final TemplateEngine templates = new TemplateEngine();

    OwnersPlanApi(JudgementService judgement, OrchardService orchard, Rulebook rules, Wording wording) {
        this.judgement = judgement;
        this.orchard = orchard;
        this.rules = rules;
        this.wording = wording;
        ClassLoaderTemplateResolver resolver = new ClassLoaderTemplateResolver();
        resolver.setPrefix("templates/");
        resolver.setSuffix(".html");
        resolver.setTemplateMode(TemplateMode.HTML);
        resolver.setCharacterEncoding("UTF-8");
        templates.setTemplateResolver(resolver);
        // It would tell of every style sheet it reads.
        XRLog.setLoggingEnabled(false);
    }

    /** The page as PDF; 404 while nobody has walked to the tree. */
    @GetMapping(path = "/api/trees/{treeId}/owners-plan.pdf", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> page(@PathVariable long treeId) throws IOException {
        Evaluation evaluation = judgement.now(treeId);
        TreeRow tree = orchard.tree(treeId);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        Context context = new Context(Locale.ENGLISH);
        context.setVariable("page", shown(evaluation, tree, orchard.site(tree.siteId())));
        builder.withHtmlContent(templates.process("owners-plan", context), null);
        // Nothing outside the page is fetched, whatever a name may say.
        builder.useUriResolver((base, uri) -> uri.startsWith("data:") ? uri : null);
        builder.useFont(() -> PDDocument.class.getResourceAsStream(EVERY_LETTER), "Every Letter");
        builder.toStream(out);
        builder.run();
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.inline()
                                .filename("plan-" + tree.tag().replaceAll("[^A-Za-z0-9-]", "_") + ".pdf")
                                .build()
                                .toString())
                .body(out.toByteArray());
    }

    private Page shown(Evaluation evaluation, TreeRow tree, SiteRow site) {
        Planned planned = evaluation.planned();
        Outlook outlook = Outlook.of(planned, rules.rootstocks());
        RenovationPlan plan = evaluation.plan();
        int lastYear = plan.lanes().stream()
                .mapToInt(lane -> lane.year().year())
                .max()
                .orElse(outlook.plan().get(0).year());
        List<Outlook.Year> years = outlook.plan();
        Outlook.Year now = years.get(0);
        Outlook.Year after = years.get(Math.min(years.size() - 1, Math.max(1, lastYear - now.year() + 1)));
        var branching = evaluation.facts().branching();
        double reachM = Math.max(
                1,
                years.stream()
                        .limit(after.year() - now.year() + 1L)
                        .flatMap(year -> year.limbs().stream())
                        .mapToDouble(limb -> Math.abs(limb.tip().eastM()) + limb.leafAcrossM() / 2)
                        .max()
                        .orElse(1));
        double topM = now.limbs().stream()
                .mapToDouble(limb -> limb.tip().upM() + limb.leafAcrossM() / 2)
                .max()
                .orElse(2);
        double trunkTopM =
                branching.onTrunk().stream().mapToDouble(Limb::originM).max().orElse(1);
        TreePicture picture =
                new TreePicture(reachM, topM, evaluation.facts().tree().trunkDiameterCm(), trunkTopM);
        double wantedM = evaluation.facts().tree().targetHeightM().orElse(0);
        return new Page(
                tree.tag() + " " + words(tree.species())
                        + (tree.data().cultivar() == null
                                ? ""
                                : ", " + tree.data().cultivar()),
                site.data().name(),
                DAY.format(evaluation.facts().survey().today()),
                Pictured.of(picture, now, wantedM),
                Pictured.of(picture, after, wantedM),
                picture.tags(now.limbs()).stream().map(PlacedTag::of).toList(),
                plan.lanes().stream()
                        .filter(lane -> !lane.cuts().isEmpty() || lane.detail().isPresent())
                        .map(lane -> lane(lane, evaluation.facts().survey().today()))
                        .toList(),
                PlanBuys.of(outlook, planned).stream()
                        .map(reason -> wording.of(reason).text())
                        .collect(Collectors.joining(" ")),
                evaluation.cautions().stream()
                        .limit(MOST_CAUTIONS)
                        .map(reason -> wording.of(reason).text())
                        .toList(),
                wantedM > 0);
    }

    /**
     * What the template {@code owners-plan.html} shows; it escapes what people wrote.
     *
     * @param heightWanted whether the pictures have its line
     */
    public record Page(
            String title,
            String site,
            String on,
            Pictured now,
            Pictured after,
            List<PlacedTag> tags,
            List<LaneLine> lanes,
            String expect,
            List<String> cautions,
            boolean heightWanted) {}

    /** The tree in a year, with its picture as an address that holds it. */
    public record Pictured(String picture, int year, String heightM) {
        static Pictured of(TreePicture picture, Outlook.Year year, double wantedM) {
            return new Pictured(
                    "data:image/png;base64," + Base64.getEncoder().encodeToString(picture.of(year.limbs(), wantedM)),
                    year.year(),
                    String.format(Locale.ENGLISH, "%.1f", year.heightM()));
        }
    }

    /** A limb's tag beside its picture. */
    public record PlacedTag(String limb, String place) {
        static PlacedTag of(TreePicture.Tag tag) {
            return new PlacedTag(
                    tag.limb(),
                    String.format(
                            Locale.ENGLISH,
                            "left: %.1fmm; top: %.1fmm",
                            tag.left() * PICTURE_MM,
                            tag.top() * PICTURE_MM));
        }
    }

    /** What is done when. */
    public record LaneLine(String when, String what) {}

    private static LaneLine lane(Lane lane, LocalDate today) {
        String cuts = lane.cuts().stream().map(OwnersPlanApi::words).collect(Collectors.joining("; "));
        String detail = lane.detail()
                .map(shoots -> (cuts.isEmpty() ? "" : "; ") + "about " + shoots.shoots() + " upright shoots taken")
                .orElse("");
        String share =
                lane.share() >= 0.005 ? ". %d %% of its crown comes off".formatted(Math.round(lane.share() * 100)) : "";
        boolean atOnce = lane.season() == Season.ANY && !lane.opens().isAfter(today);
        return new LaneLine(
                atOnce ? "At once, on any day" : day(lane.opens()) + " to " + day(lane.closes()),
                cuts + detail + share + ".");
    }

    private static String day(LocalDate day) {
        return DAY.format(day);
    }

    private static String words(RenovationPlan.PlannedCut cut) {
        String limb = cut.limb() + " (%.0f cm wide)".formatted(cut.cut().diameterCm());
        String backTo = cut.cut()
                .place()
                .sideBranch()
                .map(branch -> " back to its side branch " + branch)
                .orElse("");
        return switch (cut.kind()) {
            case REMOVE -> "limb " + limb + " comes off whole";
            case SHORTEN -> "limb " + limb + " is shortened" + backTo;
            default -> "branch " + cut.limb() + " is bent down";
        };
    }

    private static String words(String code) {
        return code.replace('-', ' ');
    }
}
