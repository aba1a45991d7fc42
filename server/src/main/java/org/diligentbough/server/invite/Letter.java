package org.diligentbough.server.invite;

import java.util.List;

/**
 * A letter before it is laid out.
 *
 * @param link the reader's own address; empty where there is nothing to answer
 * @param calendar the day as a calendar entry (RFC 5545)
 * @param cancels whether that entry takes the day out of a calendar
 */
record Letter(
        String subject,
        String hello,
        List<String> paragraphs,
        List<String> turns,
        String link,
        String calendar,
        boolean cancels) {}
