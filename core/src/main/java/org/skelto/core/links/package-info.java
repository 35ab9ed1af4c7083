/**
 * The links of a plan judged: what arrives, what is left over and the chance that it holds; and the choice of a link
 * for a unit, with reasons.
 */
package org.skelto.core.links;
