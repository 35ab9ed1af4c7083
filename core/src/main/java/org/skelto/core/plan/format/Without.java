package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** A constant that may not stand here, though its type has it. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Without {
    /** Name of the constant. */
    String value();

    /** Why not, for the person. */
    String says();
}
