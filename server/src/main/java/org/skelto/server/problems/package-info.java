/** Everything that goes wrong, as RFC 9457 problem documents that name the place by JSON pointer. */
package org.skelto.server.problems;
