/** Parts list, cables and wiring diagrams over HTTP, as data, tables and paper. */
package org.skelto.server.build;
