/** What owners wish, consent to and think of the work on their trees. */
package org.diligentbough.server.consent;
