/** What motion sensors and cameras see of the rooms, and which ways into the house nobody watches. */
@NullMarked
package org.skelto.core.sight;

import org.jspecify.annotations.NullMarked;
