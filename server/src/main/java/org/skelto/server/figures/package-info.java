/** The facts of plans, kept while they are looked at. */
package org.skelto.server.figures;
