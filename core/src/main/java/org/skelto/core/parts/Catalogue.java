package org.skelto.core.parts;

import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Parts by id: the built-in ones, and a person's own, which stand before built-in ones of the same id. */
public final class Catalogue {
    /** The month of the typical prices of the built-in parts. */
    public static final String PRICES_OF = "2026-10";

    private static final Catalogue BUILT_IN = new Catalogue(PartFile.builtIn());

    private final Map<String, Part> parts = new TreeMap<>();

    private Catalogue(Collection<Part> parts) {
        parts.forEach(p -> this.parts.put(p.id(), p));
    }

    /** The built-in parts: generic ones with typical figures. */
    public static Catalogue builtIn() {
        return BUILT_IN;
    }

    /** This catalogue with own parts. */
    public Catalogue with(Collection<Part> own) {
        Catalogue more = new Catalogue(parts.values());
        own.forEach(p -> more.parts.put(p.id(), p));
        return more;
    }

    /** All parts, sorted by id. */
    public Collection<Part> all() {
        return Collections.unmodifiableCollection(parts.values());
    }

    /** A part by id; none when it is not in the catalogue. */
    public Optional<Part> find(String id) {
        return id == null ? Optional.empty() : Optional.ofNullable(parts.get(id));
    }

    /** All parts of a kind. */
    public List<Part> all(PartKind kind) {
        return parts.values().stream().filter(p -> p.kind() == kind).toList();
    }
}
