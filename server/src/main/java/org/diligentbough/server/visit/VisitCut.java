package org.diligentbough.server.visit;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.PositiveOrZero;
import java.util.List;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.CutKey;
import org.diligentbough.core.verdict.CutKind;
import org.diligentbough.core.verdict.Reach;
import org.diligentbough.core.verdict.Technique;
import org.diligentbough.core.verdict.Tool;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Wording.Worded;

/**
 * One cut of a tree-visit, as it was planned when the visit was made.
 *
 * @param kind remove, shorten or bend
 * @param step whether a limb is shortened on the way to being removed
 * @param cut how and where: collar, to-side-branch, heading, renewal, sucker, bend
 * @param boundToWindow whether it is live wood that waits for the species' window
 * @param sick whether it is cut for a disease
 * @param alongM distance from the limb's base, m
 * @param heightM above ground, m
 * @param reasons why, as they stood
 */
public record VisitCut(
        @NotBlank(message = "is missing; give the limb's tag")
        String limb,

        @NotNull(message = "is missing") @CodeOf(LoggedCut.Done.class)
        String kind,

        boolean step,

        @NotNull(message = "is missing") @CodeOf(CutKind.class)
        String cut,

        double diameterCm,
        @PositiveOrZero(message = "cannot be under 0 m") double alongM,
        double heightM,
        double weightKg,

        @PositiveOrZero(message = "cannot be under 0 minutes")
        int minutes,

        boolean big,
        boolean urgent,
        boolean boundToWindow,
        boolean sick,
        double share,

        @NotNull(message = "is missing") @CodeOf(Technique.class)
        String technique,

        @NotNull(message = "is missing") @CodeOf(Tool.class) String tool,

        @NotNull(message = "is missing") @CodeOf(Reach.class)
        String reach,

        @NotNull(message = "is missing") List<String> tickets,
        @MayBeNull String sideBranch,
        @NotNull(message = "is missing") List<Worded> reasons) {

    /** What it is compared by. */
    public CutKey key() {
        return new CutKey(limb, Codes.parse(Verdict.class, kind).orElseThrow());
    }
}
