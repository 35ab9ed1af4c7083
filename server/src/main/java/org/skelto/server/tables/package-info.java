/** Tables that a person typed, pasted or saved, as RFC 4180 with a header. */
package org.skelto.server.tables;
