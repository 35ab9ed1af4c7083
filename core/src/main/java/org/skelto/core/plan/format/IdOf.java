package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** The id of an entry of one of the plan's maps. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface IdOf {
    /** Name of the map in the plan, such as {@code rooms}. */
    String value();

    /** What it names, for the person, such as {@code a room}. */
    String what();
}
