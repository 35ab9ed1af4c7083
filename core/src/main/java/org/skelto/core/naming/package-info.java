/**
 * Addresses and message topics assigned by rule. What is assigned once stays, whatever is added or removed; what a
 * person typed is never changed; what Skelto assigns is never a duplicate.
 */
package org.skelto.core.naming;
