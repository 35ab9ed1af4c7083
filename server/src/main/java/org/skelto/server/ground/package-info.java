/** The heights around a site: files in and out, one grid for each plan. */
package org.skelto.server.ground;
