package org.diligentbough.server.outlook;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalInt;
import org.diligentbough.core.Evaluation;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.outlook.Outlook;
import org.diligentbough.core.outlook.PlanBuys;
import org.diligentbough.core.outlook.Planned;
import org.diligentbough.core.plan.RenovationPlan.Lane;
import org.diligentbough.server.judgement.JudgementService;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.outlook.WhatIfMapper.WhatIfRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.MayBeNull;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.shared.Wording.Worded;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans of a tree with other wishes, saved beside its own to be compared; they change nothing. */
@Service
public class WhatIfService {
    /** More lines than these nobody tells apart. */
    private static final int MOST = 3;

    private final WhatIfMapper mapper;
    private final JudgementService judgement;
    private final OrchardService orchard;
    private final Rootstocks rootstocks;
    private final Wording wording;
    private final CurrentPerson person;
    private final History history;

    WhatIfService(
            WhatIfMapper mapper,
            JudgementService judgement,
            OrchardService orchard,
            Rulebook rules,
            Wording wording,
            CurrentPerson person,
            History history) {
        this.mapper = mapper;
        this.judgement = judgement;
        this.orchard = orchard;
        this.rootstocks = rules.rootstocks();
        this.wording = wording;
        this.person = person;
        this.history = history;
    }

    /** One, with what it would come to. */
    record WhatIfView(
            long id,
            String name,
            Wish wish,
            @MayBeNull String by,
            LocalDate madeOn,
            int years,
            int cuts,
            int minutes,
            double share,
            List<Worded> says,
            OutlookService.WayView way) {}

    /** A new one. */
    record NewWhatIf(
            @NotBlank(message = "is missing; give it a name") @Size(max = 60, message = "is longer than 60 letters")
            String name,

            @NotNull(message = "is missing; say what is wished otherwise") @Valid
            Wish wish) {}

    /** Those of a tree, as they would come out today. */
    public List<WhatIfView> all(long treeId) {
        return mapper.ofTree(orchard.tree(treeId).id()).stream()
                .map(row -> view(treeId, row))
                .toList();
    }

    @Transactional
    public WhatIfView add(long treeId, NewWhatIf data) {
        long who = person.id();
        long siteId = orchard.tree(treeId).siteId();
        judgement.now(treeId);
        if (mapper.ofTree(treeId).size() >= MOST) {
            throw ProblemException.wrongField(
                    "/name", "would be one too many: " + MOST + " stand beside the plan; take one away first");
        }
        long id = mapper.add(treeId, data.name().strip(), data.wish(), who, judgement.todayAt(treeId));
        history.added(new About("what-if", id, siteId, treeId), data);
        return view(treeId, find(treeId, id));
    }

    @Transactional
    public void remove(long treeId, long id) {
        person.id();
        WhatIfRow row = find(treeId, id);
        mapper.remove(id);
        history.takenAway(new About("what-if", id, orchard.tree(treeId).siteId(), treeId), row);
    }

    private WhatIfRow find(long treeId, long id) {
        return mapper.find(treeId, id)
                .orElseThrow(() -> ProblemException.notFound("There is no such plan to compare."));
    }

    private WhatIfView view(long treeId, WhatIfRow row) {
        Wish wish = row.wish();
        Evaluation evaluation = judgement.asIf(
                treeId, wish::on, wish.years() == null ? OptionalInt.empty() : OptionalInt.of(wish.years()));
        Planned planned = evaluation.planned();
        Outlook.Banded banded = Outlook.banded(planned, rootstocks);
        List<Lane> lanes = evaluation.plan().lanes();
        return new WhatIfView(
                row.id(),
                row.name(),
                wish,
                row.by(),
                row.madeOn(),
                evaluation.plan().years(),
                lanes.stream().mapToInt(lane -> lane.cuts().size()).sum(),
                lanes.stream().mapToInt(Lane::minutes).sum(),
                1 - evaluation.crownAfterPlan().left(),
                wording.all(PlanBuys.of(banded.middle(), planned)),
                OutlookService.way(
                        banded.middle().plan(),
                        banded.plan(),
                        evaluation.facts().survey().site().southern()));
    }
}
