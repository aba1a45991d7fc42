/** Whether people come: asked by letter, answered by an address of their own; and the outbox of what was written. */
package org.diligentbough.server.invite;
