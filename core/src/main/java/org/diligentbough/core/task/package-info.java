/** What is to be done besides cuts. */
package org.diligentbough.core.task;
