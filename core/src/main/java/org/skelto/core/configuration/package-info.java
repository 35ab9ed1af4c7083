/** What each controller must be told so that it does what the plan says, and how two of them differ. */
package org.skelto.core.configuration;
