/** The geometry of a plan over HTTP: typed lists of rooms, GeoJSON in and out, sections, places by degrees. */
package org.skelto.server.geometry;
