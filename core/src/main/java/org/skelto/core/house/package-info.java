/**
 * What still works when something shared is gone: {@link org.skelto.core.house.PowerState} says what has power,
 * {@link org.skelto.core.house.House} what reaches what, {@link org.skelto.core.house.Rest} where a thing rests. Each device has
 * jobs, each job has ways, each way is a {@link org.skelto.core.house.Formula} over components;
 * {@link org.skelto.core.house.Outages} judges all of them under a set of failed components.
 *
 * <p>A worked example: a fail-safe bolt on a normally closed contact stays shut when its board dies (the contact closes, the feed
 * holds it) and opens when its supply dies. See docs/house.md.
 */
package org.skelto.core.house;
