/** The calculators over HTTP. */
package org.skelto.server.calculators;
