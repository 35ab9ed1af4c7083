/** The calculations by name, each with its formula and source, as anyone may call them with own figures. */
package org.skelto.core.calculator;
