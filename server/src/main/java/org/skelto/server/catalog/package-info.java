/** The built-in lists that the page offers for choice. */
package org.skelto.server.catalog;
