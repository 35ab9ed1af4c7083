package org.skelto.core.plan.validation;

import org.skelto.core.plan.Money;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.Driver;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.Pulse;

/** The part of {@link PlanValidator} that looks at figures of power and driving. */
final class WorksValidator {
    private static final double MOST_V = 480;
    private static final double MOST_A = 500;
    private static final String PART = "[a-z0-9-]{1,60}";

    private final Plan plan;
    private final ValidationErrors found;

    WorksValidator(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    /** What does not belong to any unit or device. */
    void all() {
        plan.circuits().forEach((id, circuit) -> {
            String at = Pointers.of("circuits", id);
            found.withinOrNull(at + "/breakerA", circuit.breakerA(), 0.5, 200, " A");
            part(at + "/cable", circuit.cable());
        });
        plan.services()
                .forEach((id, service) -> found.withinOrNull(
                        Pointers.of("services", id) + "/feePerMonth", service.feePerMonth(), 0, 10_000, ""));
        plan.owned().forEach((id, owned) -> part(Pointers.of("owned", id) + "/part", owned.part()));
        plan.housings().forEach((id, housing) -> {
            String at = Pointers.of("housings", id);
            found.name(at + "/name", housing.name());
            part(at + "/part", housing.part());
            found.withinOrNull(at + "/riseK", housing.riseK(), 0, 100, " K");
        });
        plan.cautions().forEach((caution, when) -> {
            found.required("/cautions/" + caution, when);
            found.text("/cautions/" + caution, when, Limits.NAME_LENGTH);
        });
        Money money = plan.money();
        if (money.currency() == null || !money.currency().matches("[A-Z]{3}")) {
            found.add("/money/currency", "is not three capital letters such as EUR");
        }
        found.withinOrNull("/money/budget", money.budget(), 0, 1e9, "");
        found.within("/money/spareShare", money.spareShare(), 0, 1, "");
        found.within("/money/energyPrice", money.energyPrice(), 0, 100, "");
        found.within("/money/hourPrice", money.hourPrice(), 0, 10_000, "");
    }

    void unit(String at, Unit unit) {
        found.knownOrNull(at + "/housing", unit.housing(), plan.housings(), "a wall box or enclosure");
        if (unit.draws() != null) {
            found.within(at + "/draws/volts", unit.draws().volts(), 1, MOST_V, " V");
            found.withinOrNull(at + "/draws/leastV", unit.draws().leastV(), 0.5, MOST_V, " V");
            found.within(at + "/draws/typicalA", unit.draws().typicalA(), 0, 100, " A");
            found.within(at + "/draws/worstA", unit.draws().worstA(), 0, MOST_A, " A");
        }
        if (unit.duty() != null) {
            duty(at + "/duty", unit.duty());
        }
        if (unit.boards() != null) {
            chain(at + "/boards/bus", unit.boards().bus());
            chain(at + "/boards/line", unit.boards().line());
            String code = unit.boards().code();
            if (code != null && !code.matches("[A-P]([1-9]|1[0-6])")) {
                found.add(at + "/boards/code", "is not a house letter A to P and a unit number 1 to 16, such as C5");
            }
        }
    }

    private void duty(String at, Duty duty) {
        found.within(at + "/sleepUa", duty.sleepUa(), 0, 1e7, " µA");
        found.within(at + "/cycleS", duty.cycleS(), 0.01, 31_557_600, " s");
        found.withinOrNull(at + "/wishYears", duty.wishYears(), 0, 100, " years");
        found.withinOrNull(at + "/coldestC", duty.coldestC(), -60, 40, " °C");
        if (duty.regulation() != null) {
            found.required(at + "/regulation/kind", duty.regulation().kind());
            found.within(at + "/regulation/outV", duty.regulation().outV(), 0.5, 60, " V");
            found.within(at + "/regulation/quiescentUa", duty.regulation().quiescentUa(), 0, 1e6, " µA");
            found.within(at + "/regulation/efficiency", duty.regulation().efficiency(), 0.1, 1, "");
        }
        if (duty.pulses().size() > Limits.PULSES) {
            found.add(at + "/pulses", "holds more than " + Limits.PULSES + " states");
        }
        double awakeMs = 0;
        for (int i = 0; i < duty.pulses().size(); i++) {
            String here = at + "/pulses/" + i;
            Pulse pulse = duty.pulses().get(i);
            if (pulse == null) {
                found.add(here, "is null");
                continue;
            }
            found.text(here + "/name", pulse.name(), Limits.NAME_LENGTH);
            found.within(here + "/currentMa", pulse.currentMa(), 0, 50_000, " mA");
            found.within(here + "/durationMs", pulse.durationMs(), 0, 86_400_000, " ms");
            awakeMs += pulse.durationMs();
        }
        if (awakeMs > duty.cycleS() * 1000) {
            found.add(at + "/pulses", "take longer than the cycle");
        }
    }

    private void chain(String at, Chain chain) {
        if (chain == null) {
            return;
        }
        part(at + "/cable", chain.cable());
        found.within(at + "/lengthM", chain.lengthM(), 0, 1500, " m");
        found.within(at + "/rateK", chain.rateK(), 1, 10_000, "");
        found.withinOrNull(at + "/periodMs", chain.periodMs(), 1, 3_600_000, " ms");
        found.withinOrNull(at + "/pullUpOhm", chain.pullUpOhm(), 100, 1_000_000, " Ω");
        found.within(at + "/ends", chain.ends(), 0, 2, "");
    }

    void driver(String at, Driver driver) {
        if (driver != null) {
            found.withinOrNull(at + "/baseOhm", driver.baseOhm(), 1, 1_000_000, " Ω");
            found.within(at + "/gain", driver.gain(), 5, 2000, "");
        }
    }

    void power(String at, Power power) {
        part(at + "/part", power.part());
        found.withinOrNull(at + "/count", power.count(), 1, 100, "");
        if (power.feed() != null) {
            part(at + "/feed/cable", power.feed().cable());
            found.withinOrNull(at + "/feed/lengthM", power.feed().lengthM(), 0, 5000, " m");
            found.withinOrNull(at + "/feed/fuseA", power.feed().fuseA(), 0.01, 200, " A");
        }
    }

    void device(String at, ActuationSpec works) {
        part(at + "/part", works.part());
        found.knownOrNull(at + "/supply", works.supply(), plan.units(), "a supply");
        found.withinOrNull(at + "/volts", works.volts(), 1, MOST_V, " V");
        found.withinOrNull(at + "/watts", works.watts(), 0, 50_000, " W");
        found.withinOrNull(at + "/inrushA", works.inrushA(), 0, 5000, " A");
        found.withinOrNull(at + "/travelS", works.travelS(), 0.1, 3600, " s");
        found.withinOrNull(at + "/endSensors", works.endSensors(), 0, 4, "");
        found.withinOrNull(at + "/staggerS", works.staggerS(), 0, 3600, " s");
        if (works.gestures() != null) {
            found.within(at + "/gestures/longMs", works.gestures().longMs(), 200, 5000, " ms");
            found.within(at + "/gestures/doubleMs", works.gestures().doubleMs(), 100, 2000, " ms");
        }
        if (works.lock() != null) {
            found.withinOrNull(at + "/lock/gapMm", works.lock().gapMm(), 0, 30, " mm");
            found.withinOrNull(at + "/lock/offsetMm", works.lock().offsetMm(), 0, 30, " mm");
        }
    }

    private void part(String at, String id) {
        if (id != null && !id.matches(PART)) {
            found.add(at, "is not the id of a part");
        }
    }
}
