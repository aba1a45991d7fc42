package org.diligentbough.core.knowledge;

/**
 * Where a number or a rule comes from.
 *
 * @param mark how well it is founded
 * @param publication the publication's name when {@link Mark#FROM_MEMORY}, otherwise empty
 */
public record Source(Mark mark, String publication) {

    public Source {
        if ((mark == Mark.FROM_MEMORY) == publication.isBlank()) {
            throw new IllegalArgumentException(
                    "a number given from memory names its publication, and only such a number does");
        }
    }

    /** How well a number is founded. */
    public enum Mark {
        /** A fact of the trade; nobody in particular published it. */
        COMMON_PRACTICE,
        /** Published, and given from memory. */
        FROM_MEMORY,
        /** Assumed by this project until an orchard has figures of its own. */
        OWN_ASSUMPTION
    }
}
