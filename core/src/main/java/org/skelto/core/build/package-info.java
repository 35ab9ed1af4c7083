/** What it takes to build the plan: parts and their cost, cables with their ends, and the drawing of how all is wired. */
package org.skelto.core.build;
