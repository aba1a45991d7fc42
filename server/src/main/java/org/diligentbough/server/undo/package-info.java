/** What was done last, looked at before and after, and undone. */
package org.diligentbough.server.undo;
