/** The published descriptions: the OpenAPI document made precise, and the JSON Schema of a plan. */
package org.skelto.server.schema;
