/** Plans and their revisions: reading, editing by JSON Patch, undo, copies, import and export. */
package org.skelto.server.plans;
