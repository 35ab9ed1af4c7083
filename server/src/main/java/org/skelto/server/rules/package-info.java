/** What the house does on its own, over HTTP. */
package org.skelto.server.rules;
