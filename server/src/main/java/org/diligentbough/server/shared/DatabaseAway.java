package org.diligentbough.server.shared;

import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import java.util.List;
import org.springframework.transaction.TransactionException;

/** Tells a database that is away, stopped or full of others from a mistake of ours. */
public final class DatabaseAway {
    /** What whoever asked is told. */
    public static final String SENTENCE =
            "The database does not answer just now. Nothing is lost: try again in a moment.";

    /** Classes of SQLSTATE: connection lost or refused, short of resources, stopped by its keeper, its own failure. */
    private static final List<String> AWAY = List.of("08", "53", "57P", "58");
    /** Deep enough for what Spring, MyBatis and the pool lay round an exception. */
    private static final int MOST_LAYERS = 12;

    private DatabaseAway() {}

    /** Whether it is why something went wrong. */
    public static boolean isWhy(Throwable wrong) {
        Throwable at = wrong;
        for (int layer = 0; at != null && layer < MOST_LAYERS; layer++) {
            boolean neverBegunOrEnded = at instanceof TransactionException && at.getCause() instanceof SQLException;
            if (at instanceof SQLTransientConnectionException || neverBegunOrEnded) {
                return true;
            }
            if (at instanceof SQLException sql
                    && sql.getSQLState() != null
                    && AWAY.stream().anyMatch(sql.getSQLState()::startsWith)) {
                return true;
            }
            at = at.getCause();
        }
        return false;
    }
}
