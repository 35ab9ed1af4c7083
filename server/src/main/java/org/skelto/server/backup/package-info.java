/**
 * All of the data in one file, and back. A backup is a ZIP of a manifest and one CSV for each table, so that it can be read
 * without this program, and holds nothing that could be run: on the way back the program makes its own tables, of the form
 * that the manifest names, fills them, and then brings them up to date.
 */
package org.skelto.server.backup;
