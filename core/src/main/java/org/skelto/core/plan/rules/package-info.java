/** What the house does on its own, as it was said. */
@NullMarked
package org.skelto.core.plan.rules;

import org.jspecify.annotations.NullMarked;
