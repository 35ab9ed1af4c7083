/**
 * Edits that are rules: what a person asks for in a word, answered with a patch that is one named undo.
 *
 * <pre>{@code
 * Command.Proposal copy = new DuplicateUnit("hall-board").on(plan);
 * copy.label(); // "Hall board 2"
 * copy.edits(); // adds the unit, the devices that hang on it and its links
 * }</pre>
 *
 * <p>A command never changes a plan: who asked decides whether its edits are made.
 */
@NullMarked
package org.skelto.core.commands;

import org.jspecify.annotations.NullMarked;
