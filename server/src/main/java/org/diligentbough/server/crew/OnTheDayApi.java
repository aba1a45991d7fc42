package org.diligentbough.server.crew;

import jakarta.validation.Valid;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.server.crew.AttendanceService.AttendanceView;
import org.diligentbough.server.crew.AttendanceService.SignData;
import org.diligentbough.server.crew.FirstListService.FirstListData;
import org.diligentbough.server.crew.FirstListService.FirstListView;
import org.diligentbough.server.shared.Once;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** While a day runs: what is answered before the first cut, and who is there. */
@RestController
@RequestMapping("/api/days/{dayId}")
class OnTheDayApi {
    private final FirstListService lists;
    private final AttendanceService attendance;

    OnTheDayApi(FirstListService lists, AttendanceService attendance) {
        this.lists = lists;
        this.attendance = attendance;
    }

    @GetMapping("/first-list")
    FirstListView firstList(@PathVariable long dayId) {
        return lists.of(dayId);
    }

    @PostMapping("/first-list")
    FirstListView answerFirstList(
            @PathVariable long dayId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody FirstListData data) {
        return lists.keep(dayId, key, data);
    }

    @GetMapping("/attendance")
    List<AttendanceView> attendance(@PathVariable long dayId) {
        return attendance.ofDay(dayId);
    }

    /** Signs somebody in or out. */
    @PostMapping("/attendance")
    List<AttendanceView> sign(
            @PathVariable long dayId,
            @RequestHeader(name = Once.HEADER) Optional<UUID> key,
            @Valid @RequestBody SignData data) {
        return attendance.sign(dayId, key, data);
    }
}
