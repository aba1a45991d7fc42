package org.diligentbough.core.wood;

/** How sound a tree's wood is: A sound to E failing. */
public enum Grade {
    A,
    B,
    C,
    D,
    E;

    /** The worse of two. */
    public Grade worse(Grade other) {
        return compareTo(other) >= 0 ? this : other;
    }

    /** Some steps worse, E at the most. */
    public Grade worseBy(int steps) {
        return values()[Math.min(E.ordinal(), ordinal() + steps)];
    }
}
