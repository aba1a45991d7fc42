/**
 * Which cut in which year and season. Read {@code RenovationPlan}, the answer, then {@code Planner}: {@code PlanningCase}
 * is the tree with what is the same for every plan, {@code PlanMaker} makes one plan for one order of turns, {@code
 * PlanValue} says what it is worth, {@code PlanSearch} looks for the best. What a year may take is {@code YearBudget}'s,
 * large limbs by steps {@code Staging}'s and {@code ArmSteps}'s; what people move by hand {@code Moves}'s and {@code
 * RuleBreaks}'s, a frozen plan {@code KeptPlan}'s. {@code Worth} weighs one cut, {@code Upkeep} what comes after the plan.
 */
package org.diligentbough.core.plan;
