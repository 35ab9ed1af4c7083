package org.skelto.server.schema;

import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverter;
import io.swagger.v3.core.converter.ModelConverterContext;
import io.swagger.v3.core.util.Json;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.info.License;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.RecordComponent;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Iterator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.RecordShape;
import org.skelto.core.plan.format.ValueShape;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * Makes the OpenAPI document say what the records say: every component of a record is there, and those that are declared so may be null.
 */
@Configuration
class OpenApiShape {
    /** The record behind each schema, as it is met while the description is made. */
    private final Map<String, Class<?>> records = new ConcurrentHashMap<>();

    @Bean
    ModelConverter recordsMet() {
        return new ModelConverter() {
            @Override
            public Schema<?> resolve(
                    AnnotatedType type, ModelConverterContext context, Iterator<ModelConverter> chain) {
                Schema<?> schema = chain.hasNext() ? chain.next().resolve(type, context, chain) : null;
                Class<?> raw = Json.mapper().constructType(type.getType()).getRawClass();
                if (schema != null && raw.isRecord()) {
                    String name = schema.get$ref() == null
                            ? schema.getName()
                            : schema.get$ref().substring(schema.get$ref().lastIndexOf('/') + 1);
                    if (name != null) {
                        records.put(name, raw);
                    }
                }
                return schema;
            }
        };
    }

    @Bean
    OpenApiCustomizer shape() {
        return api -> {
            api.info(new Info().title("Skelto").version("1").license(new License().name("Apache-2.0")));
            api.setServers(null);
            sort(api);
        };
    }

    @SuppressWarnings("rawtypes")
    private void sort(OpenAPI api) {
        Map<String, Schema> schemas = new TreeMap<>(api.getComponents().getSchemas());
        schemas.forEach((name, schema) -> {
            if (schema.getProperties() != null) {
                require(name, schema);
            }
        });
        api.getComponents().setSchemas(schemas);
        api.setPaths(sortedPaths(api));
    }

    private static io.swagger.v3.oas.models.Paths sortedPaths(OpenAPI api) {
        io.swagger.v3.oas.models.Paths paths = new io.swagger.v3.oas.models.Paths();
        new TreeMap<>(api.getPaths()).forEach(paths::addPathItem);
        return paths;
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private void require(String name, Schema schema) {
        Map<String, Schema> properties = schema.getProperties();
        schema.setRequired(new ArrayList<>(properties.keySet()));
        Class<?> type = records.get(name);
        if (type != null && type != Edit.class && type.getPackageName().startsWith(Plan.class.getPackageName())) {
            RecordShape.of(type).components().forEach(c -> bound(properties.get(c.name()), c.value()));
        }
        for (String property : nullable(type)) {
            Schema value = properties.get(property);
            if (value.get$ref() != null || value.getEnum() != null) {
                Schema none = new Schema<>();
                none.setTypes(new LinkedHashSet<>(List.of("null")));
                Schema either = new Schema<>();
                either.setAnyOf(List.of(value, none));
                properties.put(property, either);
            } else if (value.getTypes() != null) {
                // anything at all has no types and may be null as it is
                Set<String> types = new LinkedHashSet<>(value.getTypes());
                types.add("null");
                value.setTypes(types);
            }
        }
    }

    @SuppressWarnings("rawtypes")
    private static void bound(Schema property, ValueShape shape) {
        Within within = shape.says(Within.class);
        Words words = shape.says(Words.class);
        Matches matches = shape.says(Matches.class);
        Count count = shape.says(Count.class);
        if (within != null) {
            property.setMinimum(BigDecimal.valueOf(within.least()));
            property.setMaximum(BigDecimal.valueOf(within.most()));
        }
        if (words != null) {
            property.setMaxLength(words.most());
        }
        if (shape.says(Name.class) != null) {
            property.setMaxLength(Limits.NAME_LENGTH);
        }
        if (matches != null) {
            property.setPattern("^" + matches.value() + "$");
        }
        if (count != null && shape.kind() != ValueShape.Kind.MAP) {
            property.setMinItems(count.least());
            property.setMaxItems(count.most());
        } else if (count != null) {
            property.setMaxProperties(count.most());
        }
    }

    private static List<String> nullable(Class<?> type) {
        return type == null
                ? List.of()
                : Arrays.stream(type.getRecordComponents())
                        .filter(c -> c.getAnnotatedType().isAnnotationPresent(Nullable.class))
                        .map(RecordComponent::getName)
                        .toList();
    }
}
