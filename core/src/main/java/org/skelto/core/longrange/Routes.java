package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Outages;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** How a command goes from one unit to another, straight and through the hub, and when its sender knows. */
public final class Routes {
    /** What an unwired or wired step of another kind takes, ms; typical. */
    private static final double OTHER_MS = 40;

    /** What a hub takes to decide, ms; typical. */
    private static final double HUB_MS = 30;

    private Routes() {}

    /**
     * One way.
     *
     * @param possible whether it is there at all and works as it is
     * @param why not, or what it hangs on, in words
     * @param chance that all legs hold
     * @param confirmedMs until the sender can show "done", when all goes well and the far end listens
     * @param waitS what a sleeping far end adds at most
     * @param worstMs with all tries
     */
    @RecordBuilder
    public record CommandRoute(
            String name,
            boolean possible,
            String why,
            List<Leg> legs,
            double chance,
            double confirmedMs,
            double waitS,
            double worstMs,
            @Nullable Figure figure)
            implements RoutesCommandRouteBuilder.With {}

    /**
     * One step of a route.
     *
     * @param openAir whether it is judged over open air because nobody knows the ground
     * @param trouble why nothing gets over it as it is, or null; the margin is what it would be without that
     */
    @RecordBuilder
    public record Leg(
            String from,
            String to,
            Medium medium,
            @Nullable Double marginDb,
            @Nullable Double chance,
            double commandMs,
            double answerMs,
            boolean planned,
            boolean openAir,
            @Nullable String trouble)
            implements RoutesLegBuilder.With {}

    /** The straight route and the one through the hub, which goes where the house's messages go. */
    public static List<CommandRoute> of(
            Plan plan, SiteModel site, SlabTables tables, Outages house, String from, String to) {
        return List.of(straight(plan, site, tables, from, to), throughHub(plan, site, tables, house, from, to));
    }

    private static CommandRoute straight(Plan plan, SiteModel site, SlabTables tables, String from, String to) {
        Unit a = plan.units().get(from);
        Unit b = plan.units().get(to);
        Medium medium = a.media().stream()
                .filter(m -> b.radio(m).filter(Radio::receives).isPresent())
                .min(java.util.Comparator.comparingInt(m -> m == Medium.CHIRP ? 0 : m == Medium.SUB_GHZ ? 1 : 2))
                .orElse(null);
        String name = "bound directly, without hub";
        if (medium == null) {
            return none(name, a.name() + " and " + b.name() + " share no radio");
        }
        Link trial = Link.of(from, to, medium, null, null, null);
        LinkReport report = new LinkAssessor(plan, site, tables).report("trial", trial);
        if (report.marginDb() == null) {
            return none(name, report.trouble());
        }
        boolean planned = plan.links().values().stream()
                .anyMatch(l ->
                        (l.from().equals(from) && l.to().equals(to) || l.from().equals(to) && l.to().equals(from))
                                && l.medium() == medium);
        return route(
                plan,
                name,
                "hangs on nothing but these two units; both must be taught to each other",
                List.of(leg(plan, trial, report, planned, from, to)),
                to,
                0);
    }

    private static CommandRoute throughHub(
            Plan plan, SiteModel site, SlabTables tables, Outages house, String from, String to) {
        String name = "through the hub";
        String hub = plan.units().get(to).hub();
        if (hub == null) {
            return none(name, "no hub serves " + plan.units().get(to).name());
        }
        List<Outages.RouteLeg> way = new ArrayList<>();
        for (String[] part : new String[][] {{from, hub}, {hub, to}}) {
            List<Outages.RouteLeg> legs = house.route(part[0], part[1]);
            if (legs.isEmpty() && !part[0].equals(part[1])) {
                return none(name, house.cut(part[0], part[1]));
            }
            way.addAll(legs);
        }
        LinkAssessor assessor = new LinkAssessor(plan, site, tables);
        List<Leg> legs = new ArrayList<>();
        for (Outages.RouteLeg step : way) {
            ComputingBudget.step();
            Link link = step.link() == null
                    ? Link.of(step.from(), step.to(), step.medium(), null, null, null)
                    : plan.links().get(step.link());
            legs.add(leg(plan, link, assessor.report(name, link), step.link() != null, step.from(), step.to()));
        }
        return route(
                plan, name, "hangs on " + plan.units().get(hub).name() + " and everything between", legs, to, HUB_MS);
    }

    private static CommandRoute none(String name, String why) {
        return RoutesCommandRouteBuilder.builder()
                .name(name)
                .possible(false)
                .why(why)
                .legs(List.of())
                .chance(0)
                .confirmedMs(0)
                .waitS(0)
                .worstMs(0)
                .build();
    }

    private static CommandRoute route(Plan plan, String name, String why, List<Leg> legs, String to, double extraMs) {
        double chance = 1;
        double once = extraMs;
        double worst = extraMs;
        int tries = Math.max(1, plan.units().get(to).says().triesOrOne());
        List<String> inputs = new ArrayList<>();
        for (Leg leg : legs) {
            inputs.add(leg.from() + " → " + leg.to());
            inputs.add("command " + Text.number(leg.commandMs(), 0) + " ms, answer " + Text.number(leg.answerMs(), 0)
                    + " ms, holds with " + Text.percent(leg.chance() == null ? 1 : leg.chance()));
            chance *= leg.chance() == null ? 1 : leg.chance();
            once += leg.commandMs() + leg.answerMs();
            worst += Traffic.counts(leg.medium())
                    ? tries * (leg.commandMs() + leg.answerMs())
                    : leg.commandMs() + leg.answerMs();
        }
        inputs.addAll(List.of(
                "the hub decides", Text.number(extraMs, 0) + " ms", "tries over radio", Integer.toString(tries)));
        String trouble = legs.stream()
                .filter(l -> l.trouble() != null)
                .map(l -> l.from() + " and " + l.to() + ": " + l.trouble())
                .findFirst()
                .orElse(null);
        return RoutesCommandRouteBuilder.builder()
                .name(name)
                .possible(trouble == null)
                .why(trouble == null ? why : trouble)
                .legs(legs)
                .chance(chance)
                .confirmedMs(once)
                .waitS(waitS(plan.units().get(to)))
                .worstMs(worst)
                .figure(Figure.of(
                        "Σ (command + answer) over all steps + what the hub takes; with all tries each radio step so many "
                                + "times; the chance is the product of the steps'",
                        "time on air of each frame and turnaround; steps over cable and Wi-Fi and the hub: typical times",
                        false,
                        inputs.toArray(String[]::new)))
                .build();
    }

    /** A sleeping unit hears a command when it next listens; one that never listens never does. */
    private static double waitS(Unit unit) {
        if (unit.power().source() != PowerSource.BATTERY || unit.duty() == null) {
            return 0;
        }
        double listens = unit.duty().pulses().stream()
                .filter(p -> p.kind() == Pulse.Kind.LISTEN)
                .mapToDouble(Pulse::durationMs)
                .sum();
        return listens >= unit.duty().cycleS() * 1000 ? 0 : unit.duty().cycleS();
    }

    private static Leg leg(Plan plan, Link link, LinkReport report, boolean planned, String from, String to) {
        double command = OTHER_MS;
        double answer = 0;
        if (Traffic.counts(link.medium())) {
            Unit sender = plan.units().get(link.from());
            Radio radio = sender.radio(link.medium()).orElse(null);
            if (radio != null) {
                command = Traffic.of(sender, radio).airtimeMs();
                answer = Traffic.TURNAROUND_MS + Traffic.airtimeMs(radio.chirp(), sender.says(), Traffic.ANSWER_BYTES);
            }
        }
        return RoutesLegBuilder.builder()
                .from(plan.units().get(from).name())
                .to(plan.units().get(to).name())
                .medium(link.medium())
                .marginDb(report.marginDb())
                .chance(report.trouble() != null ? Double.valueOf(0) : report.chance())
                .commandMs(command)
                .answerMs(answer)
                .planned(planned)
                .openAir(LongRange.openAir(plan, report))
                .trouble(report.trouble())
                .build();
    }
}
