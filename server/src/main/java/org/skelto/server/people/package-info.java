/** Who asks, and what they may do with a plan. There is one person today, who may do everything. */
package org.skelto.server.people;
