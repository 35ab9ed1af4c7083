package org.skelto.core.plan.validation;

/**
 * One thing that keeps a document from being a well-formed plan.
 *
 * @param pointer JSON pointer (RFC 6901) to the place
 * @param message what is wrong there, for the person
 */
public record Problem(String pointer, String message) {}
