/** Mesh radios: which units hear each other, how messages travel, and whose loss cuts others off. */
package org.skelto.core.mesh;
