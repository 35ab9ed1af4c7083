/** What a proposal would leave behind in the house: nothing is proposed that brings a new stop or a new fix. */
@NullMarked
package org.skelto.core.proposals;

import org.jspecify.annotations.NullMarked;
