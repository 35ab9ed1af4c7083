/** Parts that a house is made of: boards with their pins, supplies, cables, boxes; and the catalogue of them. */
package org.skelto.core.parts;
