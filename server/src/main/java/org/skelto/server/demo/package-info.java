/** The made-up houses: the one that a first start comes with, and those to begin a plan from. */
package org.skelto.server.demo;
