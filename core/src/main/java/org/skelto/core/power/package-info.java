/** Where every unit's power comes from, down to each board: currents, voltages, heat, batteries and what ends first. */
package org.skelto.core.power;
