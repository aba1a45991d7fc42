package org.diligentbough.server.door;

import java.time.DateTimeException;
import java.time.LocalDate;
import org.diligentbough.server.shared.Days;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.convert.converter.Converter;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.MapperFeature;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.type.LogicalType;

/** Text is text, a whole number is whole, and a day is one that people speak of: nothing is made to fit. */
@Configuration
class StrictInput implements WebMvcConfigurer {

    @Bean
    JsonMapperBuilderCustomizer strict() {
        return builder -> builder.disable(MapperFeature.ALLOW_COERCION_OF_SCALARS)
                .disable(DeserializationFeature.ACCEPT_FLOAT_AS_INT)
                .withCoercionConfig(
                        LogicalType.Textual, text -> text.setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                                .setCoercion(CoercionInputShape.Float, CoercionAction.Fail)
                                .setCoercion(CoercionInputShape.Boolean, CoercionAction.Fail))
                .addModule(new SimpleModule().addDeserializer(LocalDate.class, new DayReader()));
    }

    @Override
    public void addFormatters(FormatterRegistry registry) {
        // A class and no lambda: what it converts from and to is read off its type.
        registry.addConverter(new DayOfAddress());
    }

    /** A day in an address. */
    private static final class DayOfAddress implements Converter<String, LocalDate> {
        @Override
        public LocalDate convert(String text) {
            return day(text);
        }
    }

    /** A day in JSON, written as 2027-02-16. */
    private static final class DayReader extends StdDeserializer<LocalDate> {
        DayReader() {
            super(LocalDate.class);
        }

        @Override
        public LocalDate deserialize(JsonParser parser, DeserializationContext context) {
            if (!parser.hasToken(JsonToken.VALUE_STRING)) {
                return (LocalDate) context.handleUnexpectedToken(getValueType(context), parser);
            }
            try {
                return day(parser.getString());
            } catch (DateTimeException e) {
                return (LocalDate) context.handleWeirdStringValue(LocalDate.class, parser.getString(), e.getMessage());
            }
        }
    }

    private static LocalDate day(String text) {
        LocalDate day = LocalDate.parse(text);
        if (!Days.makeSense(day)) {
            throw new DateTimeException("no day from 1900 to 2200");
        }
        return day;
    }
}
