package org.diligentbough.core.knowledge;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;

/** The written form of a value: {@code OPEN_CENTRE} is written {@code open-centre} in every file and answer. */
public final class Codes {
    private Codes() {}

    /** The written form of {@code value}: lower case, words joined by hyphens. */
    public static String of(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The value written {@code text}, or empty when {@code type} has no such value. */
    public static <E extends Enum<E>> Optional<E> parse(Class<E> type, String text) {
        return Arrays.stream(type.getEnumConstants())
                .filter(value -> of(value).equals(text))
                .findFirst();
    }

    /** All written forms of {@code type}, separated by commas, in their declared order. */
    public static <E extends Enum<E>> String all(Class<E> type) {
        return Arrays.stream(type.getEnumConstants()).map(Codes::of).collect(Collectors.joining(", "));
    }
}
