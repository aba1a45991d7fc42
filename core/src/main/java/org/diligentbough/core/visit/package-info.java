/**
 * What was done to a tree, and the tree as it stands after it. Read {@code Visit}, then {@code TreeRecord}, which tells
 * surveys and visits through in the order of time.
 */
package org.diligentbough.core.visit;
