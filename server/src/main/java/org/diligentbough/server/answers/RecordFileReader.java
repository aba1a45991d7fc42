package org.diligentbough.server.answers;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.diligentbough.core.answer.Answers.OrchardRecords;
import org.diligentbough.core.answer.Learning;
import org.diligentbough.core.answer.TreeHistory;
import org.diligentbough.core.fruit.FruitYear;
import org.diligentbough.core.fruit.Girths;
import org.diligentbough.core.knowledge.Codes;
import org.diligentbough.core.orchard.Species;
import org.diligentbough.core.season.Season;
import org.diligentbough.core.survey.Disease;
import org.diligentbough.core.survey.Face;
import org.diligentbough.core.wood.Sighting;
import org.diligentbough.core.wood.WoodFacts.Hollow;
import org.diligentbough.core.wood.WoodFacts.Seen;
import org.diligentbough.core.wood.Wound;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.OpenFormat;
import org.diligentbough.server.shared.ProblemException;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;

/**
 * Reads record files: first by the published schema, then for what a schema cannot say. Every wrong field is named by its JSON
 * pointer; a file with anything wrong is refused whole.
 */
@Component
class RecordFileReader {
    private static final long SEED = 1;

    private final OpenFormat format = new OpenFormat("record file", "/formats/records.schema.json");

    /**
     * The records in a file.
     *
     * @throws ProblemException 400 when it is not JSON, 422 naming every wrong field
     */
    OrchardRecords read(byte[] file) {
        JsonNode node = format.parse(file);
        List<FieldProblem> problems = format.problems(node, List.of());
        if (problems.isEmpty()) {
            problems = new Crossed(format.read(node, RecordFile.class)).problems();
        }
        if (!problems.isEmpty()) {
            throw ProblemException.wrongFields(problems);
        }
        return records(format.read(node, RecordFile.class));
    }

    private static OrchardRecords records(RecordFile file) {
        Map<String, List<Learning.Case>> minutes = new LinkedHashMap<>();
        or(file.minutes(), List.<RecordFile.MinutesFile>of())
                .forEach(one -> minutes.computeIfAbsent(one.work(), work -> new ArrayList<>())
                        .add(new Learning.Case(one.reckoned(), one.took())));
        return new OrchardRecords(
                file.trees().stream().map(tree -> tree(tree, file.today())).toList(),
                file.latitude() < 0,
                file.today(),
                or(file.seed(), SEED),
                minutes,
                List.of());
    }

    private static TreeHistory tree(RecordFile.RecordedTree tree, LocalDate today) {
        return new TreeHistory(
                tree.label(),
                Codes.parse(Species.class, tree.species()).orElseThrow(),
                whole(tree.plantedYear()),
                tree.eastM() == null || tree.northM() == null
                        ? Optional.empty()
                        : Optional.of(new TreeHistory.Stand(tree.eastM(), tree.northM())),
                new Girths(or(tree.girths(), List.<RecordFile.GirthFile>of()).stream()
                        .map(girth -> new Girths.Girth(girth.on(), girth.cm()))
                        .toList()),
                or(tree.fruit(), List.<RecordFile.FruitFile>of()).stream()
                        .map(RecordFileReader::fruit)
                        .toList(),
                or(tree.cuts(), List.<RecordFile.CutFile>of()).stream()
                        .map(cut -> new TreeHistory.YearCut(
                                cut.pruningYear(), season(cut.season()), cut.share(), or(cut.bigCuts(), 0)))
                        .toList(),
                or(tree.light(), List.<RecordFile.LightFile>of()).stream()
                        .map(light -> new TreeHistory.YearLight(light.year(), light.mean()))
                        .toList(),
                or(tree.shoots(), List.<RecordFile.ShootsFile>of()).stream()
                        .map(shoots -> new TreeHistory.YearShoots(
                                shoots.year(), number(shoots.extensionCm()), whole(shoots.uprights())))
                        .toList(),
                Optional.ofNullable(tree.wounds())
                        .map(wounds ->
                                wounds.stream().map(RecordFileReader::wound).toList()),
                or(tree.regrowth(), List.<RecordFile.RegrowthFile>of()).stream()
                        .map(RecordFileReader::regrowth)
                        .toList(),
                Optional.ofNullable(tree.disease())
                        .map(all -> all.stream().map(RecordFileReader::sighting).toList()),
                Optional.ofNullable(tree.deadShare()).map(share -> new Seen(share, today)),
                Optional.ofNullable(tree.hollow())
                        .map(hollow -> new Hollow(hollow.trunkRadiusCm(), hollow.soundWallCm(), today)),
                Optional.ofNullable(tree.crackCm()).map(crack -> new Seen(crack, today)),
                Optional.empty());
    }

    private static FruitYear fruit(RecordFile.FruitFile year) {
        return new FruitYear(
                year.year(),
                whole(year.bloom()),
                whole(year.number()),
                number(year.kilos()),
                number(year.meanFruitG()),
                number(year.spoiltShare()),
                or(year.beforeOpening(), false));
    }

    private static TreeHistory.NamedWound wound(RecordFile.RecordedWound wound) {
        return new TreeHistory.NamedWound(
                wound.id(),
                new Wound(
                        wound.madeOn(),
                        wound.diameterCm(),
                        wound.face() == null ? Optional.empty() : Codes.parse(Face.class, wound.face()),
                        number(wound.hollowCm()),
                        or(wound.looks(), List.<RecordFile.LookFile>of()).stream()
                                .map(RecordFileReader::look)
                                .toList()));
    }

    private static Wound.Look look(RecordFile.LookFile look) {
        double longMm = look.openMm().get(0);
        double shortMm = look.openMm().get(look.openMm().size() - 1);
        return new Wound.Look(
                look.on(),
                longMm,
                shortMm,
                look.state() == null
                        ? Wound.State.CLOSING
                        : Codes.parse(Wound.State.class, look.state()).orElseThrow());
    }

    private static TreeHistory.Regrown regrowth(RecordFile.RegrowthFile one) {
        return new TreeHistory.Regrown(
                one.pruningYear(),
                season(one.season()),
                one.kind() == null
                        ? TreeHistory.CutWay.THINNING
                        : Codes.parse(TreeHistory.CutWay.class, one.kind()).orElseThrow(),
                one.leafCutM2(),
                one.share(),
                one.shoots(),
                number(one.longestCm()));
    }

    private static Sighting sighting(RecordFile.DiseaseFile one) {
        return new Sighting(
                Codes.parse(Disease.class, one.kind()).orElseThrow(),
                one.seenOn(),
                one.state() == null
                        ? Sighting.State.ACTIVE
                        : Codes.parse(Sighting.State.class, one.state()).orElseThrow());
    }

    private static Season season(String code) {
        return code == null ? Season.DORMANT : Codes.parse(Season.class, code).orElseThrow();
    }

    private static OptionalInt whole(Integer value) {
        return value == null ? OptionalInt.empty() : OptionalInt.of(value);
    }

    private static OptionalDouble number(Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    private static <T> T or(T given, T otherwise) {
        return given == null ? otherwise : given;
    }

    /** What fields say of each other. */
    private static final class Crossed {
        private final RecordFile file;
        private final List<FieldProblem> found = new ArrayList<>();

        private Crossed(RecordFile file) {
            this.file = file;
        }

        private List<FieldProblem> problems() {
            Set<String> labels = new HashSet<>();
            for (int i = 0; i < file.trees().size(); i++) {
                RecordFile.RecordedTree tree = file.trees().get(i);
                once(labels.add(tree.label()), "/trees/" + i + "/label");
                tree(tree, "/trees/" + i);
            }
            return found;
        }

        private void tree(RecordFile.RecordedTree tree, String at) {
            if ((tree.eastM() == null) != (tree.northM() == null)) {
                say(at + (tree.eastM() == null ? "/eastM" : "/northM"), "is missing; give both or neither");
            }
            Set<Integer> years = new HashSet<>();
            List<RecordFile.FruitFile> fruit = or(tree.fruit(), List.of());
            for (int i = 0; i < fruit.size(); i++) {
                once(years.add(fruit.get(i).year()), at + "/fruit/" + i + "/year");
                notLater(fruit.get(i).year(), at + "/fruit/" + i + "/year");
            }
            List<RecordFile.GirthFile> girths = or(tree.girths(), List.of());
            for (int i = 0; i < girths.size(); i++) {
                past(girths.get(i).on(), at + "/girths/" + i + "/on");
            }
            List<RecordFile.DiseaseFile> disease = or(tree.disease(), List.of());
            for (int i = 0; i < disease.size(); i++) {
                past(disease.get(i).seenOn(), at + "/disease/" + i + "/seenOn");
            }
            if (tree.hollow() != null
                    && tree.hollow().soundWallCm() > tree.hollow().trunkRadiusCm()) {
                say(at + "/hollow/soundWallCm", "is thicker than the trunk's radius; give the wall round the hollow");
            }
            Set<String> ids = new HashSet<>();
            List<RecordFile.RecordedWound> wounds = or(tree.wounds(), List.of());
            for (int i = 0; i < wounds.size(); i++) {
                once(ids.add(wounds.get(i).id()), at + "/wounds/" + i + "/id");
                wound(wounds.get(i), at + "/wounds/" + i);
            }
        }

        private void wound(RecordFile.RecordedWound wound, String at) {
            past(wound.madeOn(), at + "/madeOn");
            if (wound.hollowCm() != null && wound.hollowCm() > wound.diameterCm()) {
                say(at + "/hollowCm", "is wider than the wound; give what of it is hollow");
            }
            Set<LocalDate> days = new HashSet<>();
            List<RecordFile.LookFile> looks = or(wound.looks(), List.of());
            for (int i = 0; i < looks.size(); i++) {
                LocalDate on = looks.get(i).on();
                past(on, at + "/looks/" + i + "/on");
                once(days.add(on), at + "/looks/" + i + "/on");
                if (!on.isAfter(wound.madeOn())) {
                    say(at + "/looks/" + i + "/on", "is not after the wound was made; give a later day");
                }
            }
        }

        private void notLater(int year, String at) {
            if (year > file.today().getYear()) {
                say(at, "lies in the future; give a year up to that of today");
            }
        }

        private void past(LocalDate day, String at) {
            if (day.isAfter(file.today())) {
                say(at, "lies in the future; give a day up to today");
            }
        }

        private void once(boolean isNew, String at) {
            if (!isNew) {
                say(at, "stands here twice; give it once");
            }
        }

        private void say(String pointer, String what) {
            found.add(new FieldProblem(pointer, what));
        }
    }
}
