/** What survives which outages, over HTTP. */
package org.skelto.server.outages;
