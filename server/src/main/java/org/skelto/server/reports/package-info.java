/** What is worked out of a plan on demand: meshes, sounders, channels, places to work from, and proposals of places. */
package org.skelto.server.reports;
