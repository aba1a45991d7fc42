/** What records of cutting, wood and fruit answer: those that are sent, and those that are kept here. */
package org.diligentbough.server.answers;
