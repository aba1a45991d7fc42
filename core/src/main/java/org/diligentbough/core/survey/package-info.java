/**
 * A tree as it was measured. Read {@code Survey} and {@code Limb}, the records as they come in, then {@code Branching},
 * where each limb is in space, and {@code CrownShares} and {@code LivingCrown}, what of the crown each carries.
 */
package org.diligentbough.core.survey;
