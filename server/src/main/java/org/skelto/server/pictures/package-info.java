/** Pictures of floor plans that lie under the drawings: taken in as raster, SVG or PDF page, cleaned, bounded, stored. */
package org.skelto.server.pictures;
