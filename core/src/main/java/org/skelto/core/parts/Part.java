package org.skelto.core.parts;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.site.Exposure;

/**
 * A part that can be bought.
 *
 * @param id 1 to 60 characters of small letters, digits and hyphens
 * @param name what it is, in words; made up, no brand
 * @param supplier where it is bought, or null
 * @param secondSupplier where else, or null
 * @param price for one, or one metre, in the plan's currency, or null when not known
 * @param leadDays until it arrives, or null when not known
 * @param figures those that are known
 * @param rating worst place it is made for, or null when dry only
 * @param pins of a board
 */
@RecordBuilder
public record Part(
        @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String id,

        @Name String name,
        PartKind kind,
        @Nullable @Words(most = 120) String supplier,
        @Nullable @Words(most = 120) String secondSupplier,
        @Nullable @Within(least = 0, most = 1e6) Double price,

        @Nullable @Within(least = 0, most = 1000, unit = "days")
        Integer leadDays,

        Map<Quantity, Double> figures,
        Set<Trait> traits,
        @Nullable Exposure rating,
        List<Pin> pins)
        implements PartBuilder.With {
    public Part {
        EnumMap<Quantity, Double> known = new EnumMap<>(Quantity.class);
        known.putAll(figures == null ? Map.of() : figures);
        figures = Collections.unmodifiableMap(known);
        traits = traits == null || traits.isEmpty() ? Set.of() : Collections.unmodifiableSet(EnumSet.copyOf(traits));
        pins = pins == null ? List.of() : List.copyOf(pins);
    }

    /** A figure, if it is known. */
    public Optional<Double> figure(Quantity quantity) {
        return Optional.ofNullable(figures.get(quantity));
    }

    /** A figure, or another number when it is not known. */
    public double figure(Quantity quantity, double otherwise) {
        return figures.getOrDefault(quantity, otherwise);
    }

    public boolean is(Trait trait) {
        return traits.contains(trait);
    }

    /** The pin of a name. */
    public Optional<Pin> pin(String name) {
        return pins.stream().filter(p -> p.name().equals(name)).findFirst();
    }

    /** How many relays, outputs or inputs it brings. */
    public int channels() {
        return (int) figure(Quantity.CHANNELS, 0);
    }
}
