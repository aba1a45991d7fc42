/**
 * The numbers and sources the rules go by, read from data files and checked at the start. Read {@code Figure} with
 * figures.csv beside it; {@code Reason} is how everything that is said is said.
 */
package org.diligentbough.core.knowledge;
