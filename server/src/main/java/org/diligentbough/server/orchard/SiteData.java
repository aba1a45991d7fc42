package org.diligentbough.server.orchard;

import com.fasterxml.jackson.annotation.JsonIgnore;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.validation.Valid;
import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Policy;
import org.diligentbough.core.orchard.Site;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A site as people enter it.
 *
 * @param latitude degrees, north positive
 * @param longitude degrees, east positive
 * @param timeZone name of its time zone, such as Europe/London
 * @param monthlyMeanC mean temperature of January to December, degrees C
 * @param monthlyRainMm rain of January to December, mm
 * @param monthlyMinC mean daily minimum of January to December, degrees C, or null; only with {@code monthlyMaxC}
 * @param monthlyMaxC mean daily maximum of January to December, degrees C, or null
 * @param policyNote why it chose as it did, or null
 */
public record SiteData(
        @NotBlank(message = "is missing; give the site a name") @Size(max = 80, message = "is longer than 80 letters")
        String name,

        @Min(value = -90, message = "lies south of the pole; give degrees from -90 to 90")
        @Max(value = 90, message = "lies north of the pole; give degrees from -90 to 90")
        @NotNull(message = "is missing; give degrees, north positive")
        Double latitude,

        @Min(value = -180, message = "give degrees from -180 to 180")
        @Max(value = 180, message = "give degrees from -180 to 180")
        @NotNull(message = "is missing; give degrees, east positive")
        Double longitude,

        @NotBlank(message = "is missing; choose one") String timeZone,

        @NotNull(message = "is missing; give twelve months")
        @Size(min = 12, max = 12, message = "give all twelve months")
        List<
                        @NotNull(message = "is missing; give degrees C")
                        @Min(value = -60, message = "is colder than any place")
                        @Max(value = 50, message = "is hotter than any place") Double>
                monthlyMeanC,

        @NotNull(message = "is missing; give twelve months")
        @Size(min = 12, max = 12, message = "give all twelve months")
        List<
                        @NotNull(message = "is missing; give mm") @Min(value = 0, message = "cannot be under 0 mm")
                        @Max(value = 3000, message = "is wetter than any place") Double>
                monthlyRainMm,

        @MayBeNull @Size(min = 12, max = 12, message = "give all twelve months, or none")
        List<
                        @NotNull(message = "is missing; give degrees C")
                        @Min(value = -70, message = "is colder than any place")
                        @Max(value = 50, message = "is hotter than any place") Double>
                monthlyMinC,

        @MayBeNull @Size(min = 12, max = 12, message = "give all twelve months, or none")
        List<
                        @NotNull(message = "is missing; give degrees C")
                        @Min(value = -60, message = "is colder than any place")
                        @Max(value = 60, message = "is hotter than any place") Double>
                monthlyMaxC,

        @Valid @NotNull(message = "is missing") PolicyData policy,

        @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
        String policyNote) {

    /** What a site has chosen where practitioners differ. */
    public record PolicyData(
            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Allowance.class)
            String allowance,

            @NotNull(message = "is missing; give a share")
            @DecimalMin(value = "0", message = "is a share of the crown; give 0 to 0.34")
            @DecimalMax(value = "0.34", message = "is more than any tree bears in summer; give a share of 0 to 0.34")
            Double summerAllowance,

            @NotNull(message = "is missing; give a number")
            @Min(value = 0, message = "give 0 to 5")
            @Max(value = 5, message = "give 0 to 5")
            Integer bigCuts,

            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Pome.class)
            String pome,

            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Apricot.class)
            String apricot,

            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Peach.class)
            String peach,

            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Fig.class)
            String fig,

            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Bend.class)
            String bend,

            @NotNull(message = "is missing; choose one") @CodeOf(Policy.Sealing.class)
            String sealing,

            @MayBeNull @CodeOf(Policy.InGrowth.class) String inGrowth) {

        /** For the rules. */
        public Policy toPolicy() {
            return new Policy(
                    code(Policy.Allowance.class, allowance),
                    summerAllowance,
                    bigCuts,
                    code(Policy.Pome.class, pome),
                    code(Policy.Apricot.class, apricot),
                    code(Policy.Peach.class, peach),
                    code(Policy.Fig.class, fig),
                    code(Policy.Bend.class, bend),
                    code(Policy.Sealing.class, sealing),
                    inGrowth == null ? Policy.InGrowth.NONE : code(Policy.InGrowth.class, inGrowth));
        }

        private static <E extends Enum<E>> E code(Class<E> type, String text) {
            return Codes.parse(type, text).orElseThrow();
        }
    }

    @JsonIgnore
    @Hidden
    @AssertTrue(message = "is not known; choose one such as Europe/London")
    public boolean isTimeZoneKnown() {
        return timeZone == null || ZoneId.getAvailableZoneIds().contains(timeZone);
    }

    @JsonIgnore
    @Hidden
    @AssertTrue(message = "give coldest nights and warmest days together, no night warmer than its day")
    public boolean isMonthlyMaxCAboveItsNights() {
        if (monthlyMinC == null || monthlyMaxC == null) {
            return monthlyMinC == null && monthlyMaxC == null;
        }
        return monthlyMinC.size() != 12
                || monthlyMaxC.size() != 12
                || monthlyMinC.contains(null)
                || monthlyMaxC.contains(null)
                || IntStream.range(0, 12).allMatch(month -> monthlyMinC.get(month) <= monthlyMaxC.get(month));
    }

    /** For the rules. */
    public Site toSite() {
        return new Site(
                latitude,
                longitude,
                monthlyMeanC,
                monthlyRainMm,
                Optional.ofNullable(monthlyMinC).map(min -> new Site.Extremes(min, monthlyMaxC)),
                policy.toPolicy());
    }
}
