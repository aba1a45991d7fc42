/**
 * The judgement of a tree, whole: {@link org.diligentbough.core.Rulebook} holds what is read once at the start (numbers,
 * kinds, windows), {@link org.diligentbough.core.Evaluation} takes a survey through verdicts, plan and light. Read Evaluation
 * first: each of its parts is answered by a package of its own.
 */
package org.diligentbough.core;
