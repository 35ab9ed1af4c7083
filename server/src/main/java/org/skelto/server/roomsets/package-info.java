/** Templates of rooms that a person kept, and the built-in ones. */
package org.skelto.server.roomsets;
