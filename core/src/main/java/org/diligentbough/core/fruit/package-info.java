/**
 * What trees bore, per cm2 of trunk and from year to year. Read {@code FruitRecord}.
 */
package org.diligentbough.core.fruit;
