package org.diligentbough.server.shared;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.beans.factory.annotation.AnnotatedBeanDefinition;
import org.springframework.boot.autoconfigure.condition.ConditionalOnClass;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.ClassPathScanningCandidateComponentProvider;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.ClassUtils;

/**
 * The OpenAPI document, made for {@code docs/api/openapi.json}: what may be null is marked {@link MayBeNull} in the code, all else is always
 * there. Whoever takes the tests' server along without what makes it goes without.
 */
@Configuration
@ConditionalOnClass(name = "org.springdoc.core.customizers.OpenApiCustomizer")
public class ApiDocument {
    /** Where the tests' server makes it: outside of what is guarded. */
    public static final String PATH = "/made/openapi";

    private static final String OURS = "org.diligentbough.server";

    @Bean
    OpenAPI document() {
        return new OpenAPI()
                .info(new Info().title("Diligent Bough").version("1"))
                .servers(List.of(new Server().url("/")));
    }

    /** Survey files are left as they are: there nearly everything may be absent. */
    @Bean
    OpenApiCustomizer alwaysThereUnlessNullable() {
        return document -> {
            Map<String, Class<?>> records = records();
            document.getComponents().getSchemas().forEach((name, schema) -> {
                if (!name.endsWith("File") && records.containsKey(name)) {
                    require(schema, records.get(name));
                }
            });
        };
    }

    private static void require(Schema<?> schema, Class<?> type) {
        schema.setRequired(Arrays.stream(type.getRecordComponents())
                .filter(component -> !component.isAnnotationPresent(MayBeNull.class))
                .map(RecordComponent::getName)
                .sorted()
                .toList());
    }

    private static Map<String, Class<?>> records() {
        var scanner = new ClassPathScanningCandidateComponentProvider(false) {
            @Override
            protected boolean isCandidateComponent(AnnotatedBeanDefinition definition) {
                return true;
            }
        };
        scanner.addIncludeFilter((reader, factory) ->
                Record.class.getName().equals(reader.getClassMetadata().getSuperClassName()));
        return scanner.findCandidateComponents(OURS).stream()
                .map(found -> ClassUtils.resolveClassName(found.getBeanClassName(), null))
                .collect(Collectors.toMap(Class::getSimpleName, found -> found, (one, other) -> one));
    }
}
