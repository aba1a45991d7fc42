/** The wood of a tree over the years: wounds and how they close, grades, and how disease spreads over an orchard. */
package org.diligentbough.core.wood;
