/**
 * What it takes to build the plan: parts and their cost, cables with their ends, and the drawing of how all is wired.
 *
 * <p>A worked example: a valve whose end sensor reports needs one switched core, one for the sensor and one for 0 V; three wires
 * take two pairs of an alarm cable, so a cable in the wall with two free pairs carries them and none is bought.
 */
package org.skelto.core.build;
