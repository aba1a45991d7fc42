/**
 * How much light is where in a crown and on the ground. Read {@code Sky} (where light comes from), {@code Leaf} (what
 * takes it), {@code Rays} (the one paths through the other), then {@code CrownLight}, the answer for a tree, and {@code
 * OrchardLight}, that for a site. {@code LightGain} says what a cut lets in; {@code Lighting} is quicker and coarser, for the
 * years ahead. Knows nothing of verdicts.
 */
package org.diligentbough.core.light;
