package org.diligentbough.server.archive;

import jakarta.validation.Validator;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.diligentbough.server.shared.Days;
import org.diligentbough.server.shared.FieldProblem;
import org.diligentbough.server.shared.ProblemException;

/** What is wrong with an archive, each with where it stands. */
final class Problems {
    private static final int MOST = 200;

    private final Validator validator;
    private final List<FieldProblem> found = new ArrayList<>();

    Problems(Validator validator) {
        this.validator = validator;
    }

    /** Notes a problem; when there are very many the rest is not looked for. */
    void add(String pointer, String detail) {
        if (found.size() >= MOST) {
            refuseIfAny();
        }
        found.add(new FieldProblem(pointer, detail));
    }

    /** Checks a record by its own rules; returns whether nothing is wrong with it. */
    boolean check(Object given, String at) {
        if (given == null) {
            add(at, "is missing");
            return false;
        }
        int before = found.size();
        validator
                .validate(given)
                .forEach(wrong -> add(
                        at + "/"
                                + wrong.getPropertyPath()
                                        .toString()
                                        .replaceAll("\\.<[^>]*>", "")
                                        .replace('.', '/')
                                        .replace('[', '/')
                                        .replace("]", ""),
                        wrong.getMessage()));
        return found.size() == before;
    }

    /** The day a text means, or a problem there. */
    Optional<LocalDate> day(DayWords words, String text, String at) {
        Optional<LocalDate> day = words.day(text).filter(Days::makeSense);
        if (day.isEmpty()) {
            add(at, "is no day; give one such as 2027-02-20, today-34 or year-1/03-06");
        }
        return day;
    }

    /** A person's name, or a problem there. */
    boolean named(String name, String at) {
        boolean good = name != null && !name.isBlank() && name.strip().length() <= 80;
        if (!good) {
            add(at, "is missing or too long; give a name");
        }
        return good;
    }

    /** Runs what may refuse fields of its own and puts those under {@code at}. */
    void under(String at, Runnable work) {
        try {
            work.run();
        } catch (ProblemException e) {
            if (e.errors().isEmpty()) {
                add(at, e.getMessage());
            }
            e.errors().forEach(wrong -> add(at + wrong.pointer(), wrong.detail()));
        }
    }

    void refuseIfAny() {
        if (!found.isEmpty()) {
            throw ProblemException.wrongFields(found);
        }
    }
}
