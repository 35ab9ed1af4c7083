/** Long work: started, watched by server-sent events, and cancelled. */
package org.skelto.server.jobs;
