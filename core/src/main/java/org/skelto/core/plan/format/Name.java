package org.skelto.core.plan.format;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/** What a person calls a thing: 1 to {@value Limits#NAME_LENGTH} characters, not all of them blank. */
@Retention(RetentionPolicy.RUNTIME)
@Target(ElementType.TYPE_USE)
public @interface Name {}
