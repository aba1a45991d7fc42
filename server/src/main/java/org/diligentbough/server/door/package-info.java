/**
 * What every request goes through before anything is done with it, in this order: {@link
 * org.diligentbough.server.door.Container} refuses what the container cannot read, {@link
 * org.diligentbough.server.door.BodyFilter} reads bodies whole, within their bounds and before any transaction, {@link
 * org.diligentbough.server.door.StrictInput} says what of them counts as text, number and day.
 */
package org.diligentbough.server.door;
