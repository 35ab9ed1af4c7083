/** Which frequency channel each transmitter of the house should use, so that they disturb each other least. */
package org.skelto.core.channels;
