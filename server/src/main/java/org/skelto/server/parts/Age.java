package org.skelto.server.parts;

import java.time.Instant;

/** How many own parts there are, and when the newest came in, or null without any: it changes whenever they do. */
record Age(long count, Instant newest) {}
