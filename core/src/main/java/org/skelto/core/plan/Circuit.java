package org.skelto.core.plan;

/** One mains circuit behind its own protective device. */
public record Circuit(String name) {}
