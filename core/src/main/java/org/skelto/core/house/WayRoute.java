package org.skelto.core.house;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.quantity.Figure;

/**
 * One planned way of a device, opened: what it passes in order, what breaks it, what it hangs on alone and how long it takes.
 *
 * @param weakPercent the chance of the worst link on its best route where that is under the device's target, %; else null
 * @param brokenBy the first thing that breaks it, or null where it works
 * @param steps in order; none where it does not work
 * @param alone components of which each alone, gone, breaks it
 * @param second the best route that is left when some part of this one is out; null where there is none, or nobody asked
 * @param typicalMs from the press, or the event, to the end; typical
 * @param worstMs the same at worst; a sleeping unit's wait counted
 */
@RecordBuilder
public record WayRoute(
        Job job,
        String way,
        boolean works,
        @Nullable Integer weakPercent,
        @Nullable String brokenBy,
        List<RouteStep> steps,
        List<HangsOn> alone,
        @Nullable SecondRoute second,
        double typicalMs,
        double worstMs,
        Figure latency)
        implements WayRouteBuilder.With {
    /**
     * One step.
     *
     * @param from id of the unit that it starts from, or null for a thing that must be there, such as rules or a service
     * @param to id of the unit that it leads to, or null
     * @param link id of the planned link, or null
     * @param chance that it holds, 0 to 1
     * @param words "hall board to access point over Wi-Fi"
     */
    @RecordBuilder
    public record RouteStep(
            @Nullable String from,
            @Nullable String to,
            @Nullable String link,
            double chance,
            double typicalMs,
            double worstMs,
            String words)
            implements WayRouteRouteStepBuilder.With {}

    /**
     * The route that is taken when a part of the first is out.
     *
     * @param without the part of the first route whose loss harms the way least
     * @param chance of its worst link, 0 to 1
     * @param steps in order
     */
    public record SecondRoute(
            HangsOn without, double chance, List<RouteStep> steps, double typicalMs, double worstMs) {}

    /** A component that a way hangs on alone, or that its route passes. */
    public record HangsOn(String component, String name) {}
}
