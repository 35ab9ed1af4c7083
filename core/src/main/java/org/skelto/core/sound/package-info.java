/** How loud alarms and chimes are in each room; an estimate only. */
package org.skelto.core.sound;
