/**
 * What is wrong with each limb and what is to be done about it. Read {@code Rule}, the table's rows in their order (in a
 * pruner's words: docs/verdict-table.md), then {@code LimbJudge}, which goes through them, then the rules themselves, a class
 * for each group: {@code SoundnessRules}, {@code PairRules}, {@code FrameRules}, {@code HeightRule}, {@code ShootRules},
 * {@code ShadeRule}, {@code MainsRules}, {@code BushAndFigRules}, {@code KindWood}. {@code Findings} keeps what they found,
 * {@code CutPlaces} and {@code CutSizing} say where and how the cut is made, {@code TreeJudge} judges the tree as a whole.
 * {@code TreeFacts} is the tree with what follows from its survey.
 */
package org.diligentbough.core.verdict;
