/** Long range over HTTP: paths, settings, maps, messages, field tests. */
package org.skelto.server.longrange;
