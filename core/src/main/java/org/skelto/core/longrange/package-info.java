/** Long-range radio: budgets over the ground, settings, messages, shared air, energy of outposts. */
package org.skelto.core.longrange;
