/**
 * Mesh radios: which units hear each other, how messages travel, and whose loss cuts others off.
 *
 * <p>A worked example: gateway — plug — sensor in a row. The plug passes on, so the sensor is two hops away, and the plug is a unit
 * whose loss cuts the sensor off; a second plug that hears both takes that away.
 */
package org.skelto.core.mesh;
