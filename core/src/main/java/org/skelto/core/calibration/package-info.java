/** Walk-test readings, and what they teach about the walls and transmitters of a house. */
package org.skelto.core.calibration;
