/** What of a house has to survive outages, and how often its things fail. */
@NullMarked
package org.skelto.core.plan.survival;

import org.jspecify.annotations.NullMarked;
