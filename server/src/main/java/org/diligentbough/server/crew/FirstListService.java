package org.diligentbough.server.crew;

import jakarta.validation.constraints.AssertTrue;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.crew.DayMapper.DayRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.Once;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is answered before the first cut of a day. */
@Service
class FirstListService {
    private final AttendanceMapper lists;
    private final DayService days;
    private final History history;
    private final CurrentPerson person;
    private final Once once;

    FirstListService(AttendanceMapper lists, DayService days, History history, CurrentPerson person, Once once) {
        this.lists = lists;
        this.days = days;
        this.history = history;
        this.person = person;
        this.once = once;
    }

    /**
     * The answers. Everything has to be so before anybody cuts; local law says what a nest, a roost or an order means.
     *
     * @param nests birds' nests were looked for in the trees of the day, and none is in what is cut
     * @param roosts bats' roosts and other dwellers of hollows were looked for
     * @param orders nothing of it wants leave that was not given: protected trees, hedges, conservation areas
     * @param burning what becomes of the prunings is allowed here today
     * @param firstAidKit is at hand, and everybody knows where and who gives it
     * @param weather it was looked at: no storm, no ice, no heat that stops work
     * @param crews everybody knows their crew, its leader, and where nobody stands while something comes down
     * @param road the nearest road and gate, for whoever is called
     * @param emergencyNumber the number to call here
     */
    record FirstListData(
            @AssertTrue(message = "is to be looked for before the first cut")
            boolean nests,

            @AssertTrue(message = "is to be looked for before the first cut")
            boolean roosts,

            @AssertTrue(message = "is to be asked before the first cut")
            boolean orders,

            @AssertTrue(message = "is to be known before the first cut")
            boolean burning,

            @AssertTrue(message = "is to be there before the first cut")
            boolean firstAidKit,

            @AssertTrue(message = "is to be looked at before the first cut")
            boolean weather,

            @AssertTrue(message = "is to be told before the first cut")
            boolean crews,

            @NotBlank(message = "is missing; say the nearest road and gate")
            @Size(max = 200, message = "is longer than 200 letters")
            String road,

            @NotBlank(message = "is missing; give the number to call here")
            @Size(max = 40, message = "is longer than 40 letters")
            String emergencyNumber,

            @MayBeNull @Size(max = 500, message = "is longer than 500 letters")
            String note) {}

    /** Whether it was answered, by whom and when. */
    record FirstListView(
            @MayBeNull FirstListData answers,
            @MayBeNull String by,
            @MayBeNull Instant at) {}

    FirstListView of(long dayId) {
        return lists.firstList(days.row(dayId).id())
                .map(row -> new FirstListView(row.answers(), row.saidBy(), row.saidAt()))
                .orElse(new FirstListView(null, null, null));
    }

    /** Keeps the answers. What is sent again under the same key is kept once. */
    @Transactional
    FirstListView keep(long dayId, Optional<UUID> key, FirstListData data) {
        long who = person.id();
        DayRow day = days.row(dayId);
        once.keep(key, "first list of day " + dayId, data, () -> {
            FirstListView before = of(dayId);
            lists.keepFirstList(dayId, data, who);
            history.changed(new About("first-list", dayId, day.siteId(), null), before, of(dayId));
            return dayId;
        });
        return of(dayId);
    }
}
