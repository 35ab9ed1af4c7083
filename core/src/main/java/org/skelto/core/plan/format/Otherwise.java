package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** May be left out of a document or be null there; the record's constructor then puts something in its place. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Otherwise {
    /** What is put there, as it is written in a document or in words. */
    String value();
}
