/** Whether the server works and may work: what watches it asks here, and data of a newer program is refused here. */
package org.skelto.server.health;
