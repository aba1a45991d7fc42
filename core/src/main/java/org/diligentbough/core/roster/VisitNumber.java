package org.diligentbough.core.roster;

import ai.timefold.solver.core.api.domain.lookup.PlanningId;

/** A visit by its place in the case. */
public record VisitNumber(@PlanningId int number) {}
