/** The catalogue of parts over HTTP. */
package org.skelto.server.parts;
