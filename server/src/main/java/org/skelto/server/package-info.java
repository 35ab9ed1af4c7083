/** Storage and API around the core, package by feature. */
package org.skelto.server;
