/**
 * A work day checked by the rules people work by. Read {@code WorkDay}, then {@code DayCheck}.
 */
package org.diligentbough.core.crew;
