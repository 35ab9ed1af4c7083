package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** Words without control characters other than the ends of lines and tabs. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Words {
    /** Characters at most. */
    int most();

    /** Characters at least. */
    int least() default 0;
}
