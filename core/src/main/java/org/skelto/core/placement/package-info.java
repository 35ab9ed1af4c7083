/** Where the next access point, gateway or repeater should stand, and how few cover everything. */
package org.skelto.core.placement;
