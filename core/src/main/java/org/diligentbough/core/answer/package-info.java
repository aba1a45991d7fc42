/** What an orchard's records of cutting, wood and fruit answer: with their spread, and only as far as they can tell. */
package org.diligentbough.core.answer;
