package org.diligentbough.server.shared;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import org.diligentbough.core.knowledge.Codes;

/** A text that must be the written form of a value of {@link #value()}; null passes. */
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = CodeOf.Check.class)
public @interface CodeOf {
    Class<? extends Enum<?>> value();

    String message() default "";

    Class<?>[] groups() default {};

    Class<? extends Payload>[] payload() default {};

    /** Looks the text up. */
    class Check implements ConstraintValidator<CodeOf, String> {
        private Class<? extends Enum<?>> type;

        @Override
        public void initialize(CodeOf annotation) {
            type = annotation.value();
        }

        @Override
        public boolean isValid(String text, ConstraintValidatorContext context) {
            if (text == null) {
                return true;
            }
            StringBuilder known = new StringBuilder();
            for (Enum<?> value : type.getEnumConstants()) {
                if (Codes.of(value).equals(text)) {
                    return true;
                }
                known.append(known.isEmpty() ? "" : ", ").append(Codes.of(value));
            }
            context.disableDefaultConstraintViolation();
            context.buildConstraintViolationWithTemplate("is not known; choose one of " + known)
                    .addConstraintViolation();
            return false;
        }
    }
}
