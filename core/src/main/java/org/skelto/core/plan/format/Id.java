package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** An id: 1 to {@value Limits#ID_LENGTH} letters, digits, '-', '_' and '.', with a letter or digit first. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Id {
    String FORM = "[A-Za-z0-9][A-Za-z0-9_.-]{0," + (Limits.ID_LENGTH - 1) + "}";
}
