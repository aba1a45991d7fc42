package org.diligentbough.server.outlook;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.survey.Survey;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * What is wished otherwise than for the tree; what is null stays as it is.
 *
 * @param targetHeightM height wanted, m
 * @param years over which it is planned
 * @param allowance how much of its crown it may lose in a year
 * @param pome when apples, pears and their like are cut; likewise the others for their kinds
 */
public record Wish(
        @MayBeNull
        @DecimalMin(value = "0.5", message = "is under 0.5 m; give the height in metres")
        @DecimalMax(value = "30", message = "is over 30 m; give the height in metres")
        Double targetHeightM,

        @MayBeNull
        @Min(value = 1, message = "is under 1; give 1 to 10 years")
        @Max(value = 10, message = "is over 10; give 1 to 10 years")
        Integer years,

        @MayBeNull @CodeOf(Policy.Allowance.class) String allowance,
        @MayBeNull @CodeOf(Policy.Pome.class) String pome,
        @MayBeNull @CodeOf(Policy.Apricot.class) String apricot,
        @MayBeNull @CodeOf(Policy.Peach.class) String peach,
        @MayBeNull @CodeOf(Policy.Fig.class) String fig) {

    /** A wish that wishes nothing would stand beside the plan as the plan once more. */
    @JsonIgnore
    @Hidden
    @AssertTrue(message = "wishes nothing otherwise; give a height, years, an allowance or a school")
    public boolean isOtherThanThePlan() {
        return Stream.of(targetHeightM, years, allowance, pome, apricot, peach, fig)
                .anyMatch(Objects::nonNull);
    }

    /** A survey as it would be with this wish. */
    Survey on(Survey survey) {
        Policy policy = survey.site().policy();
        List<Optional<? extends Enum<?>>> schools = List.of(
                chosen(Policy.Allowance.class, allowance),
                chosen(Policy.Pome.class, pome),
                chosen(Policy.Apricot.class, apricot),
                chosen(Policy.Peach.class, peach),
                chosen(Policy.Fig.class, fig));
        for (Optional<? extends Enum<?>> school : schools) {
            policy = school.isPresent() ? policy.choosing(school.get()) : policy;
        }
        Survey other = survey.at(survey.site().choosing(policy));
        return targetHeightM == null
                ? other
                : other.wanting(OptionalDouble.of(targetHeightM), other.tree().noted());
    }

    private static <E extends Enum<E>> Optional<E> chosen(Class<E> type, String code) {
        return code == null ? Optional.empty() : Codes.parse(type, code);
    }
}
