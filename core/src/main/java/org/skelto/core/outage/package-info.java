/**
 * What still works when something shared is gone. Each device has jobs, each job has ways, each way is a
 * {@link org.skelto.core.outage.Formula} over components; {@link org.skelto.core.outage.Outages} judges all of them
 * under a set of failed components.
 */
package org.skelto.core.outage;
