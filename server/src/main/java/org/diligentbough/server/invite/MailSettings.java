package org.diligentbough.server.invite;

import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * How letters leave this house.
 *
 * @param host a mail server; empty where letters are kept in the outbox and go no further
 * @param tls whether it is spoken to by STARTTLS only
 * @param from whom letters are from
 * @param address what this house is called from outside, such as https://orchard.example; empty for what whoever invites sees
 */
@ConfigurationProperties("bough.mail")
record MailSettings(String host, int port, String user, String password, boolean tls, String from, String address) {
    boolean goesOut() {
        return host != null && !host.isBlank();
    }
}
