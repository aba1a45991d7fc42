/**
 * Who comes in and who may do what: accounts, sessions, invitations, members of a site, and the one table of rights
 * (rights.csv). Start with {@link org.diligentbough.server.access.Rights}.
 */
package org.diligentbough.server.access;
