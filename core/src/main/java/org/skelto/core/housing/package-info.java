/** Wall boxes and enclosures: whether what is mounted in them fits, stays cool and is kept apart. */
package org.skelto.core.housing;
