package org.diligentbough.core.season;

/** Work round the year besides cutting. */
public enum CareTask {
    /** Branches spread or tied before growth starts. */
    SPREAD,
    /** Ties and stakes looked at before they bite. */
    TIES,
    /** Suckers torn from the root and the trunk. */
    SUCKERS,
    /** Fruit thinned after the natural drop. */
    THIN,
    /** Figs taken off that start too late to ripen. */
    LATE_FIGS,
    /** Nets put over ripening fruit. */
    NETS,
    /** Hedges that shade cut back, outside the nesting time of birds. */
    HEDGES,
    /** Weeds taken from under bushes. */
    WEEDS,
    /** Lime given where the soil asks for it. */
    LIME,
    /** Treatments thought of in time. */
    TREATMENTS,
    /** Tools sharpened, cleaned and looked over. */
    TOOLS
}
