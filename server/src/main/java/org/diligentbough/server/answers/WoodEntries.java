package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.server.answers.LoggedWounds.Kept;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.Once;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.diligentbough.server.wood.DiseaseData;
import org.diligentbough.server.wood.LookData;
import org.diligentbough.server.wood.WoundData;
import org.diligentbough.server.wood.WoundMapper;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people enter of wood: old wounds, looks at wounds, disease seen; and take back. */
@Service
class WoodEntries {
    private final WoodService wood;
    private final Histories histories;
    private final WoundMapper wounds;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final CurrentPerson person;
    private final History history;
    private final Once once;
    private final Today today;
    private final ApplicationEventPublisher events;

    WoodEntries(
            WoodService wood,
            Histories histories,
            WoundMapper wounds,
            OrchardService orchard,
            SiteRules rules,
            CurrentPerson person,
            History history,
            Once once,
            Today today,
            ApplicationEventPublisher events) {
        this.wood = wood;
        this.histories = histories;
        this.wounds = wounds;
        this.orchard = orchard;
        this.rules = rules;
        this.person = person;
        this.history = history;
        this.once = once;
        this.today = today;
        this.events = events;
    }

    /** Keeps an old wound found on a walk. */
    @Transactional
    WoodView find(long treeId, WoundData data) {
        long who = person.id();
        TreeRow tree = orchard.taken(treeId);
        past(tree, data.foundOn(), "/foundOn");
        if (data.hollowCm() != null && data.hollowCm() > data.diameterCm()) {
            throw ProblemException.wrongField("/hollowCm", "is wider than the wound; give what of it is hollow");
        }
        boolean cut = histories.of(tree, today.in(orchard.site(tree.siteId()).zone())).cuts().stream()
                .anyMatch(one -> one.cut().limb().equals(data.name()));
        if (cut || wounds.add(treeId, data, who) == 0) {
            throw ProblemException.wrongField("/name", "is the name of another wound of this tree; give another");
        }
        history.added(new About("wound", treeId, tree.siteId(), treeId), data);
        outdated(treeId);
        return wood.wood(treeId);
    }

    /** Takes an old wound back that was entered by mistake. */
    @Transactional
    WoodView forget(long treeId, String name) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        WoundMapper.OldWoundRow before = wounds.oldOf(treeId).stream()
                .filter(one -> one.name().equals(name))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("This tree has no such wound that was entered by hand."));
        wounds.drop(treeId, name);
        history.takenAway(new About("wound", treeId, tree.siteId(), treeId), before);
        outdated(treeId);
        return wood.wood(treeId);
    }

    /** Keeps a look at a wound. What is sent again under the same key is kept once. */
    @Transactional
    WoodView look(long treeId, Optional<UUID> key, LookData data) {
        once.keep(key, "look at " + data.wound() + " of tree " + treeId, data, () -> {
            long who = person.id();
            TreeRow tree = orchard.taken(treeId);
            past(tree, data.on(), "/on");
            Kept wound = histories
                    .of(tree, today.in(orchard.site(tree.siteId()).zone()))
                    .wounds(0, today.in(orchard.site(tree.siteId()).zone()))
                    .stream()
                    .filter(one -> one.name().equals(data.wound()))
                    .findFirst()
                    .orElseThrow(() -> ProblemException.wrongField(
                            "/wound", "is no wound of this tree; enter it first as one that was found"));
            if (!data.on().isAfter(wound.wound().madeOn())) {
                throw ProblemException.wrongField("/on", "is not after the wound was made; give a later day");
            }
            wounds.look(treeId, data, who);
            history.added(new About("look", treeId, tree.siteId(), treeId), data);
            outdated(treeId);
            return treeId;
        });
        return wood.wood(treeId);
    }

    /** Takes a look back that was entered by mistake. */
    @Transactional
    WoodView forgetLook(long treeId, String wound, LocalDate on) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        if (wounds.dropLook(treeId, wound, on) == 0) {
            throw ProblemException.notFound("Nobody looked at that wound on that day.");
        }
        history.takenAway(new About("look", treeId, tree.siteId(), treeId), Map.of("wound", wound, "on", on));
        outdated(treeId);
        return wood.wood(treeId);
    }

    /** Keeps what was seen of a disease. */
    @Transactional
    WoodView see(long treeId, Optional<UUID> key, DiseaseData data) {
        once.keep(key, "disease of tree " + treeId, data, () -> {
            long who = person.id();
            TreeRow tree = orchard.taken(treeId);
            past(tree, data.on(), "/on");
            Disease disease = Codes.parse(Disease.class, data.disease()).orElseThrow();
            Species kind = Codes.parse(Species.class, tree.species()).orElseThrow();
            if (!rules.of(tree.siteId()).diseases().of(disease).kinds().contains(kind)) {
                throw ProblemException.wrongField(
                        "/disease", "does not go for this kind of tree; choose another, or unknown");
            }
            wounds.see(treeId, data, who);
            history.added(new About("disease", treeId, tree.siteId(), treeId), data);
            outdated(treeId);
            return treeId;
        });
        return wood.wood(treeId);
    }

    /** Takes back what was seen of a disease. */
    @Transactional
    WoodView unsee(long treeId, String disease, LocalDate on) {
        person.id();
        TreeRow tree = orchard.taken(treeId);
        if (wounds.dropSeen(treeId, disease, on) == 0) {
            throw ProblemException.notFound("Nothing was entered of that disease on that day.");
        }
        history.takenAway(new About("disease", treeId, tree.siteId(), treeId), Map.of("disease", disease, "on", on));
        outdated(treeId);
        return wood.wood(treeId);
    }

    private void past(TreeRow tree, LocalDate on, String field) {
        if (on.isAfter(today.in(orchard.site(tree.siteId()).zone()))) {
            throw ProblemException.wrongField(field, "lies in the future; give a day up to today");
        }
    }

    private void outdated(long treeId) {
        events.publishEvent(new OrchardService.TreeOutdated(treeId));
    }
}
