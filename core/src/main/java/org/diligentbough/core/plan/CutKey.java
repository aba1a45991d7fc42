package org.diligentbough.core.plan;

import org.diligentbough.core.verdict.Verdict;

/** Which cut: a limb may be shortened one year and removed another. What plans, visits and logs compare cuts by. */
public record CutKey(String limb, Verdict kind) {}
