/**
 * The plans of an orchard laid out over years and seasons by the hours there are. Read {@code Programme}.
 */
package org.diligentbough.core.programme;
