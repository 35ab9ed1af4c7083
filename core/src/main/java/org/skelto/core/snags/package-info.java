/**
 * The review of a plan. Each check has a stable code and finds its snags from a {@link
 * org.skelto.core.snags.CheckContext}; {@link org.skelto.core.snags.Review} runs them all.
 */
package org.skelto.core.snags;
