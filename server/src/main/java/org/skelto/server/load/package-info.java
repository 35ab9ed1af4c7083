/**
 * What the server takes on at once. A request passes, in this order: its body is admitted by its share of the memory and
 * read without holding a thread; it gets its turn to compute; it computes within a budget; a large answer is written
 * without holding a thread. Whoever does not get a turn in time is told so (429) and when to try again.
 */
package org.skelto.server.load;
