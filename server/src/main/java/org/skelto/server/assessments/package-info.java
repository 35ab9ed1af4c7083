/** What follows from a plan, over HTTP: assessments, previews while dragging, and proposals. */
package org.skelto.server.assessments;
