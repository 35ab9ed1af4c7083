package org.skelto.core.links;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;

/** Whether two ends of a radio link understand each other, whatever the distance. */
public final class Hearing {
    /** A receiver without settings of its own for modulation still hears what is this near its centre, MHz. */
    private static final double BAND_MHZ = 0.5;

    /** Chirp radios lose each other when their centres differ by more, MHz. */
    private static final double CHANNEL_MHZ = 0.1;

    private Hearing() {}

    /** Why nothing sent over this link is understood, or null; Wi-Fi and mesh radios find each other's channel. */
    static String trouble(Link link, Unit from, Unit to) {
        String band = Wording.of(link.medium());
        Optional<Radio> sender = from.radio(link.medium());
        Optional<Radio> receiver = to.radio(link.medium());
        if (sender.isEmpty() || receiver.isEmpty()) {
            return (sender.isEmpty() ? from : to).name() + " has no " + band + " radio";
        }
        if (!receiver.get().receives()) {
            return to.name() + " has no " + band + " receiver";
        }
        if (!receiver.get().decodes(sender.get())) {
            return to.name() + " does not decode the family \"" + sender.get().family() + "\" that " + from.name()
                    + " sends in";
        }
        List<String> differ = differences(link.medium(), sender.get(), receiver.get());
        if (link.medium().wifi()) {
            network(from, to).or(() -> network(to, from)).ifPresent(differ::add);
        }
        return differ.isEmpty() ? null : "radio settings do not match: " + String.join("; ", differ);
    }

    /** Why a station does not find the network of a point, where it is said which one it joins. */
    private static Optional<String> network(Unit station, Unit point) {
        String joins = station.wireless() == null ? null : station.wireless().joins();
        if (joins == null || PossibleLinks.offers(station) || !PossibleLinks.offers(point)) {
            return Optional.empty();
        }
        String name = point.wireless() == null ? null : point.wireless().name();
        return joins.equals(name)
                ? Optional.empty()
                : Optional.of(station.name() + " joins \"" + joins + "\", " + point.name() + " offers "
                        + (name == null ? "a network without a name" : "\"" + name + "\""));
    }

    /** Whether both ends have what it takes, so that setting them alike would do. */
    static boolean settingsOnly(Link link, Unit from, Unit to) {
        return from.radio(link.medium()).isPresent()
                && to.radio(link.medium()).filter(Radio::receives).isPresent();
    }

    /** In which settings two radios of one medium differ so that neither understands the other. */
    public static List<String> differences(Medium medium, Radio one, Radio other) {
        List<String> differ = new ArrayList<>();
        if (medium.wifi() || medium == Medium.BLE) {
            return differ;
        }
        double apart = Math.abs(one.frequencyMHz() - other.frequencyMHz());
        if (medium != Medium.MESH_802154 && apart > (medium == Medium.CHIRP ? CHANNEL_MHZ : BAND_MHZ) + 1e-9) {
            differ.add(Text.mhz(one.frequencyMHz()) + " against " + Text.mhz(other.frequencyMHz()));
        }
        if (medium == Medium.CHIRP && !alike(one.chirp(), other.chirp())) {
            differ.add(settings(one) + " against " + settings(other));
        }
        if (medium == Medium.SUB_GHZ && one.modulation() != other.modulation()) {
            differ.add(keying(one) + " against " + keying(other));
        }
        Integer ours = one.settings().networkId();
        Integer theirs = other.settings().networkId();
        if (ours != null && theirs != null && !ours.equals(theirs)) {
            differ.add("network id " + ours + " against " + theirs);
        }
        return differ;
    }

    /** The rate of the code is told in the header of a frame. */
    private static boolean alike(Chirp one, Chirp other) {
        return one.spreadingFactor() == other.spreadingFactor() && one.bandwidthKHz() == other.bandwidthKHz();
    }

    private static String keying(Radio radio) {
        return radio.modulation() == null
                ? "no modulation said"
                : radio.modulation().name();
    }

    private static String settings(Radio radio) {
        return "SF" + radio.chirp().spreadingFactor() + " at "
                + Text.number(radio.chirp().bandwidthKHz(), 1) + " kHz, 4/"
                + radio.chirp().codingRateDenominator();
    }
}
