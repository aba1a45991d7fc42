package org.diligentbough.core.verdict;

/** Proof of training that work asks for. */
public enum Ticket {
    LEAD,
    FIRST_AID,
    LADDER,
    POLE_SAW,
    POWERED_SAW,
    CLIMBING,
    ARBORIST
}
