package org.skelto.server.people;

/**
 * Somebody who plans. Edits, jobs and what is stored beside a plan carry the id.
 *
 * @param id at most 60 characters, never shown
 */
public record Person(String id) {
    /** Whoever works at this machine. */
    public static final Person LOCAL = new Person("local");
}
