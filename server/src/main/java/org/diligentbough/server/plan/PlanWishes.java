package org.diligentbough.server.plan;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.UnaryOperator;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.Wishes;
import org.diligentbough.core.verdict.Decision;
import org.diligentbough.core.verdict.OwnAllowance;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * What people want of a tree's plan otherwise than the rules would make it. A list that is null is empty.
 *
 * @param years to plan over; null leaves it to the judgement
 * @param allowance of this tree, where it is not the site's
 * @param pins cuts moved to a time
 * @param decided cuts forbidden (keep), and cuts added
 * @param insisted limbs whose cut comes first of all
 * @param split limbs shortened one year and removed another
 */
public record PlanWishes(
        @MayBeNull
        @Min(value = 1, message = "cannot be under 1 year")
        @Max(value = 10, message = "is more than 10 years: by then the tree is another")
        Integer years,

        @MayBeNull @Valid AllowanceData allowance,

        @MayBeNull @Size(max = 500, message = "is longer than 500 cuts")
        List<@Valid @NotNull(message = "is missing") PinData> pins,

        @MayBeNull @Size(max = 200, message = "is longer than 200 limbs")
        List<@Valid @NotNull(message = "is missing") DecidedData> decided,

        @MayBeNull @Size(max = 200, message = "is longer than 200 limbs")
        List<
                        @NotBlank(message = "is missing; give the limb's tag")
                        @Size(max = 40, message = "is longer than 40 letters") String>
                insisted,

        @MayBeNull @Size(max = 200, message = "is longer than 200 limbs")
        List<
                        @NotBlank(message = "is missing; give the limb's tag")
                        @Size(max = 40, message = "is longer than 40 letters") String>
                split) {
    /** All left to the rules. */
    public static final PlanWishes NONE = new PlanWishes(null, null, null, null, null, null);

    public PlanWishes {
        pins = pins == null ? List.of() : pins;
        decided = decided == null ? List.of() : decided;
        insisted = insisted == null ? List.of() : insisted;
        split = split == null ? List.of() : split;
    }

    /** Only cuts moved. */
    public static PlanWishes moved(List<PinData> pins) {
        return new PlanWishes(null, null, pins, null, null, null);
    }

    /** An allowance of a tree's own; {@code by} is written by the server. */
    public record AllowanceData(
            @NotNull(message = "is missing; give a share from 0 to 0.5")
            @DecimalMin(value = "0", message = "cannot be under 0")
            @DecimalMax(value = "0.5", message = "is over half the crown: no tree bears that in a year")
            Double share,

            @NotBlank(message = "is missing; say why this tree may lose more or less")
            @Size(max = 300, message = "is longer than 300 letters")
            String why,

            @MayBeNull String by) {

        /** Whether it allows the same for the same reason, whoever wrote it. */
        public boolean sameAs(AllowanceData other) {
            return other != null && share.equals(other.share) && why.equals(other.why);
        }
    }

    /**
     * What was decided of one limb; {@code by} and {@code on} are written by the server.
     *
     * @param verdict keep, remove, shorten or bend
     * @param alongM where to shorten, m from the limb's base, or null
     */
    public record DecidedData(
            @NotBlank(message = "is missing; give the limb's tag")
            @Size(max = 40, message = "is longer than 40 letters")
            String limb,

            @NotNull(message = "is missing; say what is to be done") @CodeOf(Verdict.class)
            String verdict,

            @MayBeNull
            @DecimalMin(value = "0.05", message = "is too close to the base; remove the limb instead")
            @DecimalMax(value = "30", message = "is longer than any limb; give metres")
            Double alongM,

            @MayBeNull String by,
            @MayBeNull LocalDate on) {}

    /**
     * Returns a copy that bears who wished it and when: what stood before as it stands keeps its signature, all else gets this
     * one. What was sent of signatures counts for nothing.
     */
    public PlanWishes signed(PlanWishes before, String by, LocalDate on) {
        UnaryOperator<DecidedData> sign = one -> before.decidedOf(one.limb())
                .filter(stood -> stood.verdict().equals(one.verdict()) && Objects.equals(stood.alongM(), one.alongM()))
                .orElseGet(() -> new DecidedData(one.limb(), one.verdict(), one.alongM(), by, on));
        return new PlanWishes(
                years,
                signedAllowance(before, by),
                pins,
                decided.stream().map(sign).toList(),
                insisted,
                split);
    }

    private AllowanceData signedAllowance(PlanWishes before, String by) {
        return allowance == null || allowance.sameAs(before.allowance)
                ? (allowance == null ? null : before.allowance)
                : new AllowanceData(allowance.share(), allowance.why(), by);
    }

    /** What is decided of a limb by these wishes, if anything. */
    public Optional<DecidedData> decidedOf(String limb) {
        return decided.stream().filter(one -> one.limb().equals(limb)).findFirst();
    }

    /** Returns a copy in which nothing is decided of a limb. */
    public PlanWishes undecided(String limb) {
        return new PlanWishes(
                years,
                allowance,
                pins,
                decided.stream().filter(one -> !one.limb().equals(limb)).toList(),
                insisted,
                split);
    }

    /** For the rules. */
    public Wishes toWishes() {
        return new Wishes(
                years == null ? OptionalInt.empty() : OptionalInt.of(years),
                Optional.ofNullable(allowance).map(own -> new OwnAllowance(own.share(), own.why(), own.by())),
                pins.stream().map(PinData::toPin).toList(),
                decided.stream()
                        .map(one -> new Decision(
                                one.limb(),
                                Codes.parse(Verdict.class, one.verdict()).orElseThrow(),
                                one.alongM() == null ? OptionalDouble.empty() : OptionalDouble.of(one.alongM()),
                                one.by(),
                                one.on()))
                        .toList(),
                new HashSet<>(insisted),
                new HashSet<>(split));
    }
}
