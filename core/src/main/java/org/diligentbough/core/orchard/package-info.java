/**
 * Kinds, stocks and sites: what is known before anybody walks to a tree. Read {@code SpeciesTraits} and {@code Site}.
 */
package org.diligentbough.core.orchard;
