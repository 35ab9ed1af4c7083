package org.skelto.core.radio;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * A receiver that sleeps and listens for a window in each cycle: a frame counts when it lies wholly within a window. The chance is
 * the union of the start windows of all frames sent, modulo the cycle, over the cycle; the phase between sender and receiver is
 * taken as uniformly distributed.
 *
 * <p>A worked example: a window of 0.5 s every 10 s, one frame of 0.1 s: (0.5 − 0.1) / 10 = 4 %.
 */
public final class ListeningWindow {
    private ListeningWindow() {}

    /**
     * The chance that at least one of several frames is heard, 0 to 1.
     *
     * @param windowS length of the window, 0 to {@code cycleS}
     * @param cycleS from one window to the next, over 0
     * @param frameS time on air of a frame, at least 0
     * @param frames how many are sent, at least 1
     * @param spacingS from the start of one to that of the next; less than a frame means back to back
     */
    public static double chance(double windowS, double cycleS, double frameS, int frames, double spacingS) {
        if (windowS >= cycleS) {
            return 1;
        }
        double length = windowS - frameS;
        if (length <= 0) {
            return 0;
        }
        double step = Math.max(spacingS, frameS);
        double[] starts = new double[frames];
        for (int i = 0; i < frames; i++) {
            double at = -i * step % cycleS;
            starts[i] = at < 0 ? at + cycleS : at;
        }
        Arrays.sort(starts);
        double covered = 0;
        for (int i = 0; i < frames; i++) {
            double next = i + 1 < frames ? starts[i + 1] : starts[0] + cycleS;
            covered += Math.min(length, next - starts[i]);
        }
        return Math.min(1, covered / cycleS);
    }

    /**
     * The chance that what a unit sends meets a window of a receiver, 0 to 1: 1 where the receiver is awake, where nobody said how it
     * spends its time, and where a gateway or a hub keeps the message for the window; 0 where it never listens.
     *
     * @param waits whether the sender keeps what it sends until the receiver listens
     */
    public static double chance(Unit sender, Unit receiver, Medium medium, boolean waits) {
        ComputingBudget.step();
        Pulse window = Traffic.counts(medium) ? window(receiver) : null;
        if (window == null) {
            return 1;
        }
        double cycleS = receiver.duty().cycleS();
        double windowS = Math.min(cycleS, window.durationMs() / 1000);
        return sender.radio(medium)
                .map(radio -> {
                    Traffic traffic = Traffic.of(sender, radio);
                    double frameS = traffic.airtimeMs() / 1000;
                    if (waits) {
                        return windowS > frameS ? 1.0 : 0.0;
                    }
                    Double spacing = sender.says().spacingS();
                    return chance(windowS, cycleS, frameS, traffic.tries(), spacing == null ? frameS : spacing);
                })
                .orElse(1.0);
    }

    /** The longest window in which a sleeping unit listens, of length 0 when it never does; null when it is awake or nobody said. */
    private static @Nullable Pulse window(Unit unit) {
        if (!unit.power().onCells()
                || unit.duty() == null
                || unit.duty().pulses().isEmpty()) {
            return null;
        }
        List<Pulse> pulses = unit.duty().pulses();
        if (pulses.stream().anyMatch(p -> p.kind() == null)) {
            return null;
        }
        return pulses.stream()
                .filter(p -> p.kind() == Pulse.Kind.LISTEN)
                .max(Comparator.comparingDouble(Pulse::durationMs))
                .orElse(new Pulse("never", 0, 0));
    }
}
