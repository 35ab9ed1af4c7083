/**
 * The house as geometry: constructions, wall pieces shared between rooms, slabs, and where things stand in metres on
 * the site. {@link org.skelto.core.site.SiteModel#of} turns a plan into it.
 */
package org.skelto.core.site;
