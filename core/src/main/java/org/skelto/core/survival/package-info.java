/** What of a house survives which outages, what was promised, and who learns of it. */
@NullMarked
package org.skelto.core.survival;

import org.jspecify.annotations.NullMarked;
