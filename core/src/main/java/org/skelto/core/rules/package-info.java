/** The rules of a house: what they say, and what is wrong with them. */
@NullMarked
package org.skelto.core.rules;

import org.jspecify.annotations.NullMarked;
