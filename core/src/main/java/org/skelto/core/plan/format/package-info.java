/**
 * How the records of the plan declare what they may hold; nothing else needs to be told.
 *
 * <pre>{@code
 * public record Sound(
 *         @Within(least = 30, most = 140, unit = "dB(A)") double levelDb,
 *         @Within(least = 0.1, most = 30, unit = "m") double atM) {}
 * }</pre>
 *
 * <p>{@link org.skelto.core.plan.format.RecordShape} reads it. From that come the validator's bounds, the published JSON
 * Schema, the description of the API and the page's types. {@code @Nullable} means that null stands for "nobody said";
 * {@code @Otherwise} that the record's constructor puts something in place of null; collections are never null.
 */
@NullMarked
package org.skelto.core.plan.format;

import org.jspecify.annotations.NullMarked;
