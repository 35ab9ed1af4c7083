/** The made-up house that a first start comes with. */
package org.skelto.server.demo;
