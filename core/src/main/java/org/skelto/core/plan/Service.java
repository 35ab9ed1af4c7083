package org.skelto.core.plan;

/** A service outside the house that something depends on. */
public record Service(String name, ServiceKind kind) {}
