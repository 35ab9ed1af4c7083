/** The ground around a site: grids of heights, their files, and profiles out of them. */
package org.skelto.core.ground;
