package org.skelto.core.wiring;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Wiring;

/** What the plan says of how devices are wired. */
final class SaidWiring {
    private final Plan plan;

    SaidWiring(Plan plan) {
        this.plan = plan;
    }

    Device device(Need need) {
        return plan.devices().get(need.device());
    }

    /** The terminal that the plan says, without the relay behind it; null when it says none. */
    String terminal(Need need) {
        Wiring wiring = device(need).wiring();
        String all = wiring == null ? null : wiring.terminals().get(need.name());
        return all == null ? null : all.split(" ")[0];
    }

    boolean fixed(Need need) {
        Wiring wiring = device(need).wiring();
        return wiring != null && wiring.fixed() && terminal(need) != null;
    }

    /** The relay or driver behind the terminal that the plan says, or null. */
    String behind(Need need) {
        Wiring wiring = device(need).wiring();
        String all = wiring == null ? null : wiring.terminals().get(need.name());
        return all == null || !all.contains(" ") ? null : all.split(" ")[1];
    }

    /** What moves, opens or sounds must not do so because a board starts. */
    static boolean mustNotPulse(Device device) {
        return device.kind() == DeviceKind.BLIND
                || device.kind().family() == DeviceKind.Family.BARRIER
                || device.kind().family() == DeviceKind.Family.VALVE
                || device.kind().family() == DeviceKind.Family.SOUNDER
                || device.criticality().compareTo(Criticality.PROTECTIVE) >= 0;
    }
}
