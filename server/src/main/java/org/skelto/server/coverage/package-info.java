/** Coverage maps over HTTP: what a floor receives, as a document or with its grid in binary, and what arrives at a point. */
package org.skelto.server.coverage;
