/** The page itself and the headers that keep it safe. */
package org.skelto.server.page;
