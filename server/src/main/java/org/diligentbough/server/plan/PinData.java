package org.diligentbough.server.plan;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.plan.Pin;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.season.Window;
import org.diligentbough.core.verdict.Verdict;
import org.diligentbough.server.shared.CodeOf;
import org.diligentbough.server.shared.MayBeNull;

/**
 * A cut moved by hand.
 *
 * @param kind of the planned cut: remove, shorten or bend
 * @param year the calendar year its new pruning year bears
 * @param quality of the window, best or with-care; null for season any
 */
public record PinData(
        @NotBlank(message = "is missing; give the limb's tag") @Size(max = 40, message = "is longer than 40 letters")
        String limb,

        @NotNull(message = "is missing; say which cut") @CodeOf(Verdict.class)
        String kind,

        @NotNull(message = "is missing; give the year")
        @Min(value = 1900, message = "lies too far back")
        @Max(value = 2200, message = "lies too far ahead")
        Integer year,

        @NotNull(message = "is missing; choose one") @CodeOf(Season.class)
        String season,

        @MayBeNull @CodeOf(Window.Quality.class) String quality) {

    /** For the rules. */
    public Pin toPin() {
        return new Pin(
                limb,
                Codes.parse(Verdict.class, kind).orElseThrow(),
                year,
                Codes.parse(Season.class, season).orElseThrow(),
                quality == null ? Optional.empty() : Codes.parse(Window.Quality.class, quality));
    }
}
