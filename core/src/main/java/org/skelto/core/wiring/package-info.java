/** What is wired to what inside a controller: which pin or channel serves which device, and why. */
package org.skelto.core.wiring;
