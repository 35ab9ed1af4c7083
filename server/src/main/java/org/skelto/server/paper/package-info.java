/** Sheets on paper: what a stage shows, as HTML out of one template, printed to PDF. */
package org.skelto.server.paper;
