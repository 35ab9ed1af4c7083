package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A number is finite and lies between these, both included. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Within {
    double least();

    double most();

    /** As it is written behind the number, such as {@code m} or {@code µA}. */
    String unit() default "";
}
