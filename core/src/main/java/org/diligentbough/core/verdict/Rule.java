package org.diligentbough.core.verdict;

/**
 * What can be found of a limb, in the order in which it is looked for (common practice). The first that does something
 * gives the verdict, the others stand as further reasons. {@code docs/verdict-table.md} says of each what a pruner reads;
 * a test holds the two together.
 */
public enum Rule {
    /** The coordinator decided otherwise than the table. */
    DECIDED,
    DEAD(Kind.MUST),
    DISEASED(Kind.MUST),
    DAMAGED(Kind.MUST),
    SPLIT_UNION(Kind.STRATEGIC),
    RUBBING(Kind.STRATEGIC),
    INTO_CENTRE(Kind.STRATEGIC),
    THICK_SIDE_LIMB(Kind.STRATEGIC),
    UPRIGHT_SHOOT,
    UPRIGHT_UNFRUITFUL(Kind.STRATEGIC),
    SHADED_UNDERNEATH,
    CROWDED(Kind.STRATEGIC),
    RENEWAL,
    TOO_HIGH,
    WEEPING,
    LOW(Kind.STRATEGIC),
    ENCROACHING(Kind.STRATEGIC),
    BELOW_GRAFT,
    OVERLONG,
    TOO_MANY_MAINS(Kind.STRATEGIC),
    OUT_OF_SHAPE,
    KIND_WOOD,
    STRONG_GRAFT,
    FORMING,
    PLIABLE,
    FRUITFUL,
    NOTHING_CLEAR;

    private enum Kind {
        MUST,
        STRATEGIC,
        DETAIL
    }

    private final Kind kind;

    Rule() {
        this(Kind.DETAIL);
    }

    Rule(Kind kind) {
        this.kind = kind;
    }

    /**
     * Whether the wood is dead, diseased or broken, so that it waits for nobody: it has its own cut in the first year,
     * whatever the allowance. Wood that is urgent for where it hangs has that from its finding.
     */
    public boolean must() {
        return kind == Kind.MUST;
    }

    /** Whether it is one of the few cuts that change a neglected tree: such a tree gets one of them at least each year. */
    public boolean strategic() {
        return kind == Kind.STRATEGIC;
    }
}
