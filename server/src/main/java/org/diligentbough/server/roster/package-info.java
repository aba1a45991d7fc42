/** Rosters made of what is sent and of what is known here. */
package org.diligentbough.server.roster;
