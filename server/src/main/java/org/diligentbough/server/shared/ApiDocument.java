package org.diligentbough.server.shared;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.List;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The OpenAPI document: what may be null is marked {@link Nullable} in the code, all else is always there. */
@Configuration
class ApiDocument {

    @Bean
    OpenAPI document() {
        return new OpenAPI()
                .info(new Info().title("Diligent Bough").version("1"))
                .servers(List.of(new Server().url("/")));
    }

    /** Survey files are left as they are: there nearly everything may be absent. */
    @Bean
    @SuppressWarnings("rawtypes") // springdoc declares it so
    PropertyCustomizer alwaysThereUnlessNullable() {
        return (Schema property, AnnotatedType type) -> {
            Schema<?> parent = type.getParent();
            boolean nullable = type.getCtxAnnotations() != null
                    && Arrays.stream(type.getCtxAnnotations()).anyMatch(Nullable.class::isInstance);
            if (parent != null
                    && type.getPropertyName() != null
                    && !nullable
                    && (parent.getName() == null || !parent.getName().endsWith("File"))) {
                parent.addRequiredItem(type.getPropertyName());
            }
            return property;
        };
    }
}
