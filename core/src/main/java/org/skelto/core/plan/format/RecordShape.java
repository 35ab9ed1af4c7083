package org.skelto.core.plan.format;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;
import java.util.List;

/**
 * What a record of the document declares about its components. The validator, the published JSON Schema, the description
 * of the API and through it the page's types all read it here, so that a new component is declared once.
 *
 * @param components in the order of the record
 */
public record RecordShape(List<Component> components) {
    private static final ClassValue<RecordShape> SHAPES = new ClassValue<>() {
        @Override
        protected RecordShape computeValue(Class<?> type) {
            return new RecordShape(Arrays.stream(type.getRecordComponents())
                    .map(Component::new)
                    .toList());
        }
    };

    /**
     * The shape of a record.
     *
     * @throws IllegalArgumentException when a component is of a type that no document holds
     */
    public static RecordShape of(Class<?> type) {
        return SHAPES.get(type);
    }

    /**
     * The component of a name.
     *
     * @throws java.util.NoSuchElementException when it has none
     */
    public Component component(String name) {
        return components.stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    /** One component. */
    public static final class Component {
        private final String name;
        private final ValueShape value;
        private final Method accessor;

        Component(RecordComponent component) {
            this.name = component.getName();
            this.value = new ValueShape(component.getAnnotatedType());
            this.accessor = component.getAccessor();
            accessor.setAccessible(true);
        }

        public String name() {
            return name;
        }

        public ValueShape value() {
            return value;
        }

        /** What a record has there. */
        public Object of(Object owner) {
            try {
                return accessor.invoke(owner);
            } catch (IllegalAccessException | InvocationTargetException e) {
                throw new IllegalStateException(e);
            }
        }
    }
}
