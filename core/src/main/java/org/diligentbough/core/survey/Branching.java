package org.diligentbough.core.survey;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Which limb grows from which, and where each is in space. Immutable. */
public final class Branching {
    /** Thickest first, then by tag, so that the same survey is always taken in the same order. */
    public static final Comparator<Limb> THICKEST_FIRST = (one, other) -> {
        int thicker = Double.compare(other.diameterCm(), one.diameterCm());
        return thicker != 0 ? thicker : one.id().compareTo(other.id());
    };

    private static final double ROUNDING_M = 1e-6;

    private final Map<String, Limb> byId = new LinkedHashMap<>();
    private final Map<String, List<Limb>> children = new HashMap<>();
    /** By number. */
    private final Point[] bases;

    private final List<Limb> onTrunk = new ArrayList<>();
    private final List<Limb> outwards = new ArrayList<>();
    private final Map<String, Integer> numbers = new HashMap<>();
    /** By number: those of the limbs that grow from it, and of the one it grows from, -1 for the trunk. */
    private final int[][] childNumbers;

    private final int[] parentNumbers;
    private final double[] originsM;
    private final boolean[] living;

    /**
     * @throws IllegalArgumentException when two limbs share an id, a parent is unknown, limbs grow from each other in a
     *     circle, or one leaves past its parent's tip
     */
    public Branching(List<Limb> limbs) {
        for (Limb limb : limbs) {
            if (byId.put(limb.id(), limb) != null) {
                throw new IllegalArgumentException("two limbs are called " + limb.id());
            }
        }
        for (Limb limb : limbs) {
            limb.parent()
                    .ifPresentOrElse(
                            parent -> {
                                if (!byId.containsKey(parent)) {
                                    throw new IllegalArgumentException("no limb is called " + parent);
                                }
                                children.computeIfAbsent(parent, key -> new ArrayList<>())
                                        .add(limb);
                            },
                            () -> onTrunk.add(limb));
        }
        onTrunk.sort(THICKEST_FIRST);
        children.values().forEach(list -> list.sort(THICKEST_FIRST));
        children.replaceAll((id, list) -> List.copyOf(list));
        bases = new Point[byId.size()];
        living = new boolean[byId.size()];
        outwards.addAll(onTrunk);
        for (int number = 0; number < outwards.size(); number++) {
            Limb limb = outwards.get(number);
            numbers.put(limb.id(), number);
            bases[number] = baseOf(limb);
            boolean onLivingWood =
                    limb.parent().isEmpty() || living[number(limb.parent().get())];
            living[number] = onLivingWood && !limb.has(FaultKind.DEAD) && !limb.has(FaultKind.STUB);
            outwards.addAll(childrenOf(limb));
        }
        if (outwards.size() != byId.size()) {
            throw new IllegalArgumentException("limbs grow from each other in a circle");
        }
        childNumbers = new int[outwards.size()][];
        parentNumbers = new int[outwards.size()];
        originsM = new double[outwards.size()];
        for (int number = 0; number < childNumbers.length; number++) {
            Limb limb = outwards.get(number);
            List<Limb> grown = childrenOf(limb);
            childNumbers[number] = new int[grown.size()];
            for (int i = 0; i < grown.size(); i++) {
                childNumbers[number][i] = number(grown.get(i).id());
            }
            originsM[number] = limb.originM();
            parentNumbers[number] = limb.parent().map(this::number).orElse(-1);
        }
    }

    private Point baseOf(Limb limb) {
        if (limb.parent().isEmpty()) {
            return new Point(0, 0, limb.originM());
        }
        Limb parent = byId.get(limb.parent().get());
        if (limb.originM() > parent.lengthM() + ROUNDING_M) {
            throw new IllegalArgumentException(limb.id() + " leaves past the tip of " + parent.id());
        }
        return pointAt(parent, limb.originM());
    }

    /** All limbs, each after the one it grows from, thickest first among equals. */
    public List<Limb> outwards() {
        return Collections.unmodifiableList(outwards);
    }

    /** A limb's place among {@link #outwards()}, 0 for the first. */
    public int number(String id) {
        return numbers.get(id);
    }

    /** The number of the limb that one grows from, -1 where that is the trunk. */
    public int parentOf(int number) {
        return parentNumbers[number];
    }

    /** Where the limb of a number leaves what it grows from, m from its base; on the trunk, m up. */
    public double originM(int number) {
        return originsM[number];
    }

    /** The numbers of the limbs that grow from one, thickest first. */
    int[] childrenOf(int number) {
        return childNumbers[number];
    }

    /** The limbs on the trunk, thickest first. */
    public List<Limb> onTrunk() {
        return Collections.unmodifiableList(onTrunk);
    }

    public Limb get(String id) {
        return byId.get(id);
    }

    public Optional<Limb> find(String id) {
        return Optional.ofNullable(byId.get(id));
    }

    /** The limbs that grow from this one, thickest first. */
    public List<Limb> childrenOf(Limb limb) {
        return children.getOrDefault(limb.id(), List.of());
    }

    public Optional<Limb> parentOf(Limb limb) {
        return limb.parent().map(byId::get);
    }

    /** Whether {@code limb} grows from {@code ancestor}, directly or through others. */
    public boolean growsFrom(Limb limb, Limb ancestor) {
        Optional<Limb> parent = parentOf(limb);
        while (parent.isPresent()) {
            if (parent.get().equals(ancestor)) {
                return true;
            }
            parent = parentOf(parent.get());
        }
        return false;
    }

    /** Whether it, or a limb it grows from, is dead. */
    public boolean dead(Limb limb) {
        return limb.has(FaultKind.DEAD) || parentOf(limb).map(this::dead).orElse(false);
    }

    /** Whether it carries leaf: neither dead nor a stub, nor on one that is. */
    public boolean living(Limb limb) {
        return living[number(limb.id())];
    }

    /** Where the limb leaves. */
    public Point baseOfLimb(Limb limb) {
        return bases[number(limb.id())];
    }

    /** A point on the limb, at a distance in metres from its base. */
    public Point pointAt(Limb limb, double alongM) {
        return bases[number(limb.id())].towards(limb.azimuthDeg(), limb.angleDeg(), alongM);
    }

    public Point tip(Limb limb) {
        return pointAt(limb, limb.lengthM());
    }

    /** Height, m, of the limb's highest point: its tip, or its base when it hangs. */
    public double topM(Limb limb) {
        return Math.max(baseOfLimb(limb).upM(), tip(limb).upM());
    }

    /** Volume, m3, of the limb beyond a distance in metres, with the side limbs that leave beyond it. */
    public double volumeBeyondM3(Limb limb, double alongM) {
        return limb.volumeBeyondM3(alongM)
                + childrenOf(limb).stream()
                        .filter(child -> child.originM() > alongM)
                        .mapToDouble(child -> volumeBeyondM3(child, 0))
                        .sum();
    }

    /** Angle between two compass directions, 0 to 180 degrees. */
    public static double apartDeg(double azimuthDeg, double otherDeg) {
        double apart = Math.abs(azimuthDeg - otherDeg) % 360;
        return Math.min(apart, 360 - apart);
    }
}
