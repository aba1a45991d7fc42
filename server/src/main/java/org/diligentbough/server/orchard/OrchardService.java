package org.diligentbough.server.orchard;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.diligentbough.core.survey.Group;
import org.diligentbough.server.access.Memberships;
import org.diligentbough.server.orchard.SiteMapper.SiteRow;
import org.diligentbough.server.orchard.TreeMapper.StandingTree;
import org.diligentbough.server.orchard.TreeMapper.TreeRow;
import org.diligentbough.server.shared.CurrentPerson;
import org.diligentbough.server.shared.History;
import org.diligentbough.server.shared.History.About;
import org.diligentbough.server.shared.ProblemException;
import org.diligentbough.server.shared.Today;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Sites and trees: every change with its place in the history, in one transaction. */
@Service
public class OrchardService {
    private final SiteMapper sites;
    private final TreeMapper trees;
    private final History history;
    private final CurrentPerson person;
    private final Memberships memberships;
    private final Today today;
    private final ApplicationEventPublisher events;

    OrchardService(
            SiteMapper sites,
            TreeMapper trees,
            History history,
            CurrentPerson person,
            Memberships memberships,
            Today today,
            ApplicationEventPublisher events) {
        this.sites = sites;
        this.trees = trees;
        this.history = history;
        this.person = person;
        this.memberships = memberships;
        this.today = today;
        this.events = events;
    }

    /** Said within the transaction that changed one tree: it is judged anew at once. */
    public record TreeOutdated(long treeId) {}

    /**
     * Said within the transaction that changed what many trees are judged by: they are judged anew in their turn.
     *
     * @param species the kind it concerns; null for all of the site
     */
    public record TreesOutdated(long siteId, String species) {}

    /** All sites there are. */
    public List<SiteRow> sites() {
        return sites.all();
    }

    /** The sites whoever is signed in belongs to, by name. */
    List<SiteRow> mySites() {
        List<Long> mine = memberships.sites();
        return sites.all().stream().filter(site -> mine.contains(site.id())).toList();
    }

    public SiteRow site(long id) {
        return sites.find(id).orElseThrow(() -> ProblemException.notFound("There is no such site."));
    }

    public TreeRow tree(long id) {
        return trees.get(id).orElseThrow(() -> ProblemException.notFound("There is no such tree."));
    }

    /**
     * A tree, taken so that of several who look at it and then add to it at once one goes after the other; until the
     * transaction ends.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public TreeRow taken(long treeId) {
        trees.lock(treeId).orElseThrow(() -> ProblemException.notFound("There is no such tree."));
        return tree(treeId);
    }

    /** Whether a tree was taken out. */
    public boolean removed(long treeId) {
        return tree(treeId).removedOn() != null;
    }

    /** All trees of a site that stand, by their numbers, with what boards say of them. */
    public Map<Long, StandingTree> board(long siteId) {
        return trees.standing(siteId).stream().collect(Collectors.toMap(StandingTree::id, tree -> tree));
    }

    /** All trees of a site that stand. */
    public List<TreeRow> standing(long siteId) {
        return trees.find(siteId, new TreeMapper.Query("", "", "", false, null), "t.id", Integer.MAX_VALUE, 0);
    }

    /** How many trees of each kind stand at a site, those most common first. */
    public List<TreeMapper.KindCount> kinds(long siteId) {
        return trees.kinds(siteId);
    }

    List<TreeRow> trees(long siteId, TreeMapper.Query query, String order, int size, int page) {
        return trees.find(site(siteId).id(), heard(siteId, query), order, size, page * size);
    }

    /** An owner hears of the trees that are theirs. */
    private TreeMapper.Query heard(long siteId, TreeMapper.Query query) {
        return query.ownedBy(memberships.asOwner(siteId).orElse(null));
    }

    int countTrees(long siteId, TreeMapper.Query query) {
        return trees.count(siteId, heard(siteId, query));
    }

    @Transactional
    SiteRow addSite(SiteData data) {
        person.id();
        long id = sites.add(stripped(data));
        memberships.founded(id);
        SiteRow added = site(id);
        history.added(new About("site", id, id, null), added);
        return added;
    }

    @Transactional
    SiteRow changeSite(long id, int version, SiteData data) {
        person.id();
        SiteRow before = site(id);
        if (sites.change(id, version, stripped(data)) == 0) {
            throw ProblemException.stale("This site");
        }
        SiteRow after = site(id);
        history.changed(new About("site", id, id, null), before, after);
        judgeAllAnew(id);
        return after;
    }

    /** The other trees of a tree's group, if it has one and any of them is surveyed. */
    public Optional<Group> groupOf(TreeRow tree) {
        if (tree.groupName() == null) {
            return Optional.empty();
        }
        TreeMapper.GroupRow others = trees.others(tree.siteId(), tree.groupName(), tree.id());
        return others.others() == 0
                ? Optional.empty()
                : Optional.of(new Group(
                        tree.groupName(),
                        others.others(),
                        others.meanHeightM(),
                        others.meanSpreadM(),
                        others.meanShootsCm() == null
                                ? OptionalDouble.empty()
                                : OptionalDouble.of(others.meanShootsCm())));
    }

    /** The tags that hang at a site, on trees that stand and on those removed. */
    public List<String> tagsOf(long siteId) {
        return trees.tagsOf(site(siteId).id());
    }

    /** Has all trees of a kind judged anew, in their turn, that stand at a site, since their windows have moved. */
    public void judgeKindAnew(long siteId, String species) {
        events.publishEvent(new TreesOutdated(siteId, species));
    }

    /** Has all trees of a site judged anew, in their turn, since something they are judged by has changed. */
    public void judgeAllAnew(long siteId) {
        events.publishEvent(new TreesOutdated(siteId, null));
    }

    @Transactional
    public TreeRow addTree(long siteId, TreeData data) {
        person.id();
        plantedByNow(data, site(siteId), "/plantedYear");
        long id = trees.add(siteId, stripped(data));
        TreeRow added = tree(id);
        history.added(new About("tree", id, siteId, id), added);
        return added;
    }

    @Transactional
    TreeRow changeTree(long id, int version, TreeData data) {
        person.id();
        TreeRow before = tree(id);
        if (before.surveyId() != null && !Objects.equals(before.species(), data.species())) {
            throw ProblemException.wrongField(
                    "/data/species", "cannot change once the tree is surveyed; register another tree instead");
        }
        plantedByNow(data, site(before.siteId()), "/data/plantedYear");
        if (trees.change(id, version, stripped(data)) == 0) {
            throw ProblemException.stale("This tree");
        }
        TreeRow after = tree(id);
        history.changed(new About("tree", id, before.siteId(), id), before, after);
        events.publishEvent(new TreeOutdated(id));
        return after;
    }

    private void plantedByNow(TreeData tree, SiteRow site, String field) {
        int thisYear = today.in(site.zone()).getYear();
        if (tree.plantedYear() != null && tree.plantedYear() > thisYear) {
            throw ProblemException.wrongField(field, "lies ahead; give a year from 1600 to " + thisYear);
        }
    }

    private static SiteData stripped(SiteData site) {
        return new SiteData(
                site.name().strip(),
                site.latitude(),
                site.longitude(),
                site.timeZone(),
                site.monthlyMeanC(),
                site.monthlyRainMm(),
                site.monthlyMinC(),
                site.monthlyMaxC(),
                site.policy(),
                blankToNull(site.policyNote()));
    }

    private static TreeData stripped(TreeData tree) {
        return new TreeData(
                tree.tag().strip(),
                tree.species(),
                blankToNull(tree.cultivar()),
                blankToNull(tree.rootstock()),
                tree.plantedYear(),
                tree.bearing(),
                tree.form(),
                tree.formWanted(),
                tree.mainsWanted(),
                tree.purpose(),
                tree.eastM(),
                tree.northM(),
                tree.targetHeightM(),
                tree.clearanceM(),
                tree.inContainer(),
                blankToNull(tree.note()),
                blankToNull(tree.groupName()),
                tree.habit(),
                tree.heightSetBy(),
                blankToNull(tree.owner()),
                blankToNull(tree.ownerWishes()),
                tree.consent());
    }

    private static String blankToNull(String text) {
        return text == null || text.isBlank() ? null : text.strip();
    }
}
