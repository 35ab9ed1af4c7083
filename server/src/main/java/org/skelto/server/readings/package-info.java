/** Walk-test readings of a plan: stored, pasted, made by a stand-in, and what they teach. */
package org.skelto.server.readings;
