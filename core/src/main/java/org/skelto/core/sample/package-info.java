/** Generated plans, for load. */
package org.skelto.core.sample;
