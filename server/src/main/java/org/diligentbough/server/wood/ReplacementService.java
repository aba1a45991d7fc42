package org.diligentbough.server.wood;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.diligentbough.core.Rulebook;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.knowledge.Figure;
import org.diligentbough.core.orchard.Rootstocks;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.server.figures.SiteRules;
import org.diligentbough.server.orchard.OrchardService;
import org.diligentbough.server.orchard.TreeData;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Wording;
import org.diligentbough.server.wood.RemovalService.RemovalChange;
import org.diligentbough.server.wood.RemovalService.RemovalData;
import org.diligentbough.server.wood.RemovalService.RemovalView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A new tree where one was taken out: registered in one step, with what is to be thought of. */
@Service
class ReplacementService {
    private static final int MOST_NEAR = 3;

    private final RemovalService removals;
    private final OrchardService orchard;
    private final SiteRules rules;
    private final Wording wording;

    ReplacementService(RemovalService removals, OrchardService orchard, SiteRules rules, Wording wording) {
        this.removals = removals;
        this.orchard = orchard;
        this.rules = rules;
        this.wording = wording;
    }

    /** The new tree, and what is to be thought of, a sentence each. */
    record Replaced(long treeId, String tag, List<String> says) {}

    /** Registers a tree at the place of one that was taken out; where it stands is that place, whatever was sent. */
    @Transactional
    Replaced replace(long treeId, TreeData data) {
        TreeRow gone = orchard.taken(treeId);
        RemovalView removal = removals.find(treeId)
                .orElseThrow(() -> ProblemException.wrongField(
                        "", "stands: only where a tree was taken out another takes its place"));
        List<String> says = says(gone, removal, data);
        TreeRow added = orchard.addTree(gone.siteId(), data.at(gone.eastM(), gone.northM()));
        RemovalData was = removal.data();
        removals.remove(
                treeId,
                new RemovalChange(
                        removal.version(),
                        new RemovalData(
                                was.on(), was.grounds(), was.permission(), was.removedBy(), added.tag(), was.note())));
        return new Replaced(added.id(), added.tag(), says);
    }

    private List<String> says(TreeRow gone, RemovalView removal, TreeData data) {
        Rulebook ofSite = rules.of(gone.siteId());
        Species kind = Codes.parse(Species.class, data.species()).orElseThrow();
        List<String> says = new ArrayList<>();
        Optional<Rootstocks.Stock> stock = Optional.ofNullable(data.rootstock())
                .flatMap(written -> ofSite.rootstocks().find(kind, written));
        if (stock.isPresent()) {
            double wantedM = stock.get().middleM() * ofSite.knowledge().get(Figure.SPACING_PER_HEIGHT);
            says.add(wording.say(
                    "replacement-room",
                    wantedM,
                    stock.get().fromM(),
                    stock.get().toM()));
            orchard.standing(gone.siteId()).stream()
                    .filter(tree -> apartM(tree, gone) < wantedM)
                    .sorted(Comparator.comparingDouble(tree -> apartM(tree, gone)))
                    .limit(MOST_NEAR)
                    .forEach(tree ->
                            says.add(wording.say("replacement-close", tree.tag(), apartM(tree, gone), wantedM)));
        } else {
            says.add(wording.say("replacement-no-stock"));
        }
        if (gone.species().equals(data.species())) {
            says.add(wording.say("replacement-same-kind"));
        }
        if (removal.data().grounds().equals(Codes.of(RemovalService.Grounds.SPREADING_DISEASE))) {
            says.add(wording.say("replacement-disease"));
        }
        says.add(wording.say("replacement-first-years"));
        return says;
    }

    private static double apartM(TreeRow one, TreeRow other) {
        return Math.hypot(one.eastM() - other.eastM(), one.northM() - other.northM());
    }
}
