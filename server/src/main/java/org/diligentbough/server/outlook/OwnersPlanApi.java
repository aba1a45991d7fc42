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
import org.springframework.web.util.HtmlUtils;

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

    OwnersPlanApi(JudgementService judgement, OrchardService orchard, Rulebook rules, Wording wording) {
        this.judgement = judgement;
        this.orchard = orchard;
        this.rules = rules;
        this.wording = wording;
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
        builder.withHtmlContent(html(evaluation, tree, orchard.site(tree.siteId())), null);
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

    private String html(Evaluation evaluation, TreeRow tree, SiteRow site) {
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
        String lanes = plan.lanes().stream()
                .filter(lane -> !lane.cuts().isEmpty() || lane.detail().isPresent())
                .map(lane -> lane(lane, evaluation.facts().survey().today()))
                .collect(Collectors.joining());
        String cautions = evaluation.cautions().stream()
                .limit(MOST_CAUTIONS)
                .map(reason -> "<li>" + escaped(wording.of(reason).text()) + "</li>")
                .collect(Collectors.joining());
        String title = escaped(tree.tag()) + " " + escaped(words(tree.species()))
                + (tree.data().cultivar() == null
                        ? ""
                        : ", " + escaped(tree.data().cultivar()));
        return """
                <html><head><style>
                @page { size: A4; margin: 14mm 15mm; }
                body { font-family: Helvetica, "Every Letter";  font-size: 9.5pt; color: #33261d; line-height: 1.32; }
                h1 { font-family: Times, "Every Letter"; font-size: 17pt; margin: 0 0 1mm 0; }
                h2 { font-family: Times, "Every Letter"; font-size: 12pt; margin: 3mm 0 1mm 0; }
                p { margin: 0 0 1.5mm 0; } ul { margin: 0; padding-left: 5mm; } li { margin-bottom: 0.6mm; }
                td { vertical-align: top; } .picture { width: 50%%; text-align: center; }
                .tree { position: relative; width: 66mm; height: 66mm; margin: 0 auto 1mm auto; border: 0.3mm solid #cfc5ae; }
                img { width: 66mm; height: 66mm; } .tag { position: absolute; font-size: 8pt; font-weight: bold; color: #5b2a52; }
                .when { width: 42mm; font-weight: bold; padding: 1mm 3mm 1mm 0; border-top: 0.3mm solid #cfc5ae; }
                .what { padding: 1mm 0; border-top: 0.3mm solid #cfc5ae; }
                .care { background-color: #fbf3dc; padding: 2mm 3mm; } .faint { color: #6b5d50; font-size: 8pt; }
                </style><title>%s</title></head><body>
                <h1>%s</h1>
                <p>%s. What is planned for this tree, as of %s.</p>
                <table width="100%%"><tr>
                <td class="picture"><div class="tree"><img src="data:image/png;base64,%s" alt="now"/>%s</div>Now: %.1f m high. Bars and tags show this year&#8217;s cuts.</td>
                <td class="picture"><div class="tree"><img src="data:image/png;base64,%s" alt="after"/></div>Early %s, when the plan is done: about %.1f m high.</td>
                </tr></table>
                <h2>What is done when</h2>
                <table width="100%%" cellspacing="0">%s</table>
                %s
                <h2>What to expect</h2>
                <p>%s</p>
                <h2>Take care</h2>
                <div class="care"><ul>%s</ul></div>
                <p class="faint">Both pictures from the south, to one scale%s. How the tree will grow is our own reckoning, not a promise. Local law
                and licensed practice come first.</p>
                </body></html>
                """.formatted(
                title,
                title,
                escaped(site.data().name()),
                DAY.format(evaluation.facts().survey().today()),
                Base64.getEncoder().encodeToString(picture.of(now.limbs(), wantedM)),
                picture.tags(now.limbs()).stream().map(OwnersPlanApi::tag).collect(Collectors.joining()),
                now.heightM(),
                Base64.getEncoder().encodeToString(picture.of(after.limbs(), wantedM)),
                after.year(),
                after.heightM(),
                lanes,
                lanes.isEmpty() ? "<p>Nothing needs doing now.</p>" : "",
                expect(outlook, planned),
                cautions.isEmpty() ? "<li>None beyond the usual.</li>" : cautions,
                wantedM > 0 ? "; the dashed line is the height wanted" : "");
    }

    private String expect(Outlook outlook, Planned planned) {
        return PlanBuys.of(outlook, planned).stream()
                        .map(reason -> escaped(wording.of(reason).text()))
                        .collect(Collectors.joining(" "))
                + " It bears less in years in which a large limb goes. "
                + "Upright shoots answer every cut; they are taken while they are thin.";
    }

    private static String lane(Lane lane, LocalDate today) {
        String cuts = lane.cuts().stream().map(OwnersPlanApi::words).collect(Collectors.joining("; "));
        String detail = lane.detail()
                .map(shoots -> (cuts.isEmpty() ? "" : "; ") + "about " + shoots.shoots() + " upright shoots taken")
                .orElse("");
        String share =
                lane.share() >= 0.005 ? ". %d %% of its crown comes off".formatted(Math.round(lane.share() * 100)) : "";
        boolean atOnce = lane.season() == Season.ANY && !lane.opens().isAfter(today);
        String when = atOnce ? "At once, on any day" : day(lane.opens()) + " to " + day(lane.closes());
        return "<tr><td class=\"when\">%s</td><td class=\"what\">%s%s%s.</td></tr>"
                .formatted(when, cuts, detail, share);
    }

    private static String tag(TreePicture.Tag tag) {
        return "<span class=\"tag\" style=\"left: %.1fmm; top: %.1fmm\">%s</span>"
                .formatted(tag.left() * PICTURE_MM, tag.top() * PICTURE_MM, escaped(tag.limb()));
    }

    private static String day(LocalDate day) {
        return DAY.format(day);
    }

    private static String words(RenovationPlan.PlannedCut cut) {
        String limb =
                escaped(cut.limb()) + " (%.0f cm wide)".formatted(cut.cut().diameterCm());
        String backTo = cut.cut()
                .place()
                .sideBranch()
                .map(branch -> " back to its side branch " + escaped(branch))
                .orElse("");
        return switch (cut.kind()) {
            case REMOVE -> "limb " + limb + " comes off whole";
            case SHORTEN -> "limb " + limb + " is shortened" + backTo;
            default -> "branch " + escaped(cut.limb()) + " is bent down";
        };
    }

    private static String words(String code) {
        return code.replace('-', ' ');
    }

    private static String escaped(String text) {
        return HtmlUtils.htmlEscape(text, "UTF-8").replace("&#39;", "&#8217;");
    }
}
