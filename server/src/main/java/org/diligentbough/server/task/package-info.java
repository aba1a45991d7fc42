/** Work besides cuts: one list, put on days, ticked off. */
package org.diligentbough.server.task;
