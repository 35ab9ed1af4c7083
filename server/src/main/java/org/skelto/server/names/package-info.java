/** The naming of the house: what is given, what is said to whom, and the files that other programs read. */
package org.skelto.server.names;
