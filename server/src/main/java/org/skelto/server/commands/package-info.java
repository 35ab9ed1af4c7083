/** Edits that are rules, over HTTP: each answers with a patch, which the page sends back as one edit. */
package org.skelto.server.commands;
